import { Box } from '@mui/material';
import type { ReactNode } from 'react';

/** One of several things to choose, as a picture with a name. */
export function Choice({
  label,
  chosen,
  onChoose,
  children,
}: {
  label: string;
  /** Whether it is chosen; left out where choosing it does something once. */
  chosen?: boolean;
  onChoose: () => void;
  children: ReactNode;
}) {
  return (
    <Box
      component="button"
      type="button"
      title={label}
      aria-label={label}
      {...(chosen !== undefined && { 'aria-pressed': chosen })}
      onClick={onChoose}
      sx={{
        font: 'inherit',
        color: 'tone.ink',
        display: 'grid',
        placeItems: 'center',
        p: 0.5,
        cursor: 'pointer',
        minHeight: 38,
        border: chosen ? 2 : 1,
        borderColor: chosen ? 'tone.indigo' : 'divider',
        bgcolor: chosen ? 'tone.indigoTint' : 'tone.panel',
        borderRadius: 1,
      }}
    >
      {children}
    </Box>
  );
}
