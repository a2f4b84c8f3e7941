import { Box, Typography } from '@mui/material';
import type { Learner } from '../api/client';
import { day } from '../ui/format';

export function Happenings({ list }: { list: Learner['happened'] }) {
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {list.map((h, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: history only grows at its head and is drawn whole
        <Box component="li" key={n} sx={{ display: 'flex', gap: 1.5, py: 0.25 }}>
          <Typography variant="body2" color="textSecondary" sx={{ width: 78, flex: 'none' }}>
            {day(h.at)}
          </Typography>
          <Typography variant="body2" sx={{ minWidth: 0 }}>
            {h.what}
            {h.by && (
              <Box component="span" sx={{ color: 'tone.soft' }}>
                {' '}
                ({h.by})
              </Box>
            )}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
