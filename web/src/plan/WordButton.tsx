import { Button } from '@mui/material';
import type { ReactNode } from 'react';

/** A word of a sentence that a click changes. */
export function WordButton({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <Button
      size="small"
      onClick={onClick}
      sx={{
        p: 0,
        color: 'tone.ink',
        fontWeight: 700,
        fontSize: 13,
        textDecoration: 'underline',
        textUnderlineOffset: 3,
        verticalAlign: 'baseline',
      }}
    >
      {children}
    </Button>
  );
}
