import { Box, Typography } from '@mui/material';
import type { MyBadge } from '../api/client';
import { BadgeDrawing } from '../ui/BadgeDrawing';

export function BadgeRow({ badges }: { badges: MyBadge[] }) {
  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(76px, 1fr))', gap: 1 }}
    >
      {badges.map((b) => (
        <Box
          key={b.id}
          sx={{ display: 'grid', justifyItems: 'center', gap: 0.25 }}
          title={b.description}
        >
          <BadgeDrawing picture={b.picture} earned={b.earned} label="" />
          <Typography
            variant="caption"
            sx={{
              textAlign: 'center',
              fontWeight: b.earned ? 700 : 400,
              color: b.earned ? 'tone.ink' : 'tone.soft',
            }}
          >
            {b.name}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
