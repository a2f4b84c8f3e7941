import { Box, Typography } from '@mui/material';
import type { ReactNode } from 'react';

/** What the signs of a view mean, in one line below it. */
export function SignKey({ signs }: { signs: { sign: ReactNode; means: string }[] }) {
  return (
    <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mt: 1.25 }}>
      {signs.map(({ sign, means }) => (
        <Box key={means} sx={{ display: 'flex', gap: 0.6, alignItems: 'center' }}>
          {sign}
          <Typography variant="caption" color="textSecondary">
            {means}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
