import { Box } from '@mui/material';
import type { ReactNode } from 'react';
import { tone } from './tone';
import { keysHere, upAndDown } from './useKeys';

/** A list at the left and what is chosen in it at the right; below each other on a phone. */
export function ListAndMain({
  label,
  list,
  onStep,
  width = 340,
  children,
}: {
  label: string;
  list: ReactNode;
  /** Goes to the next one in the list, or to the one before, by keys. */
  onStep?: (by: 1 | -1) => void;
  width?: number;
  children: ReactNode;
}) {
  return (
    <Box
      sx={{
        display: 'flex',
        flex: 1,
        minHeight: 0,
        flexDirection: { xs: 'column', md: 'row' },
        overflow: { xs: 'auto', md: 'hidden' },
        '@media print': { display: 'block' },
      }}
    >
      <Box
        component="nav"
        aria-label={label}
        data-list=""
        tabIndex={0}
        {...(onStep && { onKeyDown: keysHere(upAndDown(onStep)) })}
        sx={{
          width: { md: width },
          flex: 'none',
          overflow: 'auto',
          maxHeight: { xs: 220, md: 'none' },
          bgcolor: 'tone.panel',
          borderRight: { md: `1px solid ${tone('hairline')}` },
          borderBottom: { xs: `1px solid ${tone('hairline')}`, md: 0 },
          '@media print': { display: 'none' },
        }}
      >
        {list}
      </Box>
      <Box
        component="main"
        id="main"
        tabIndex={0}
        sx={{
          flex: 1,
          minWidth: 0,
          overflow: { md: 'auto' },
          p: { xs: 1.5, md: 2.5 },
          outline: 0,
          '@media print': { overflow: 'visible' },
        }}
      >
        {children}
      </Box>
    </Box>
  );
}

/** One line of such a list. */
export function ListLine({
  chosen,
  onSelect,
  children,
}: {
  chosen: boolean;
  onSelect: () => void;
  children: ReactNode;
}) {
  return (
    <Box
      ref={(line: HTMLElement | null) => {
        if (chosen) line?.scrollIntoView?.({ block: 'nearest' });
      }}
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={onSelect}
      sx={{
        display: 'flex',
        gap: 1.25,
        width: '100%',
        textAlign: 'left',
        font: 'inherit',
        color: 'inherit',
        border: 0,
        borderBottom: '1px solid',
        borderColor: 'divider',
        px: 2,
        py: 0.9,
        cursor: 'pointer',
        bgcolor: chosen ? 'tone.indigoWash' : 'transparent',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)' : 'none',
        '&:hover': { bgcolor: chosen ? undefined : 'tone.ground' },
      }}
    >
      {children}
    </Box>
  );
}
