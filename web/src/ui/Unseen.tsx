import { Box } from '@mui/material';
import type { ElementType, ReactNode } from 'react';

const UNSEEN = {
  position: 'absolute',
  width: '1px',
  height: '1px',
  overflow: 'hidden',
  clipPath: 'inset(50%)',
  whiteSpace: 'nowrap',
};

/** Words that are heard and not seen. */
export function Unseen({ as = 'span', children }: { as?: ElementType; children: ReactNode }) {
  return (
    <Box component={as} sx={UNSEEN}>
      {children}
    </Box>
  );
}
