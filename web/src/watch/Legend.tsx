import { Box, Typography } from '@mui/material';
import type { BeadState } from '../ui/beads';
import { Bead, useBeadWords } from '../ui/Glyphs';

const SHOWN: BeadState[] = (
  ['DONE', 'BEGUN', 'WAITING', 'AGAIN', 'OPEN', 'CLOSED', 'EXCUSED'] as const
).map((state) => ({ state, overdue: false, outOfReach: false }));
const MARKED: BeadState[] = [
  { state: 'OPEN', overdue: true, outOfReach: false },
  { state: 'CLOSED', overdue: false, outOfReach: true },
];

export function Legend() {
  const words = useBeadWords();
  return (
    <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mt: 1.25 }}>
      {[...SHOWN, ...MARKED].map((bead) => (
        <Box key={words(bead)} sx={{ display: 'flex', gap: 0.6, alignItems: 'center' }}>
          <Bead bead={bead} silent />
          <Typography variant="caption" color="textSecondary">
            {words(bead)}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
