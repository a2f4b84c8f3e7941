import { Box, Button, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';

/**
 * What can be done with those that are ticked, at the lower edge of the view: nothing above it moves
 * when it comes or goes.
 */
export function TickedBar({
  count,
  onNone,
  children,
}: {
  count: number;
  onNone: () => void;
  children: ReactNode;
}) {
  const t = useTranslations();
  if (count === 0) return null;
  return (
    <Box
      role="region"
      aria-label={t('watch.ticked')}
      sx={{
        position: 'sticky',
        bottom: 0,
        zIndex: 4,
        mt: 1,
        px: 1.5,
        py: 0.75,
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1,
        alignItems: 'center',
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: 'tone.indigo',
        borderRadius: 1,
        '@media print': { display: 'none' },
      }}
    >
      <Typography role="status" sx={{ fontWeight: 700 }}>
        {t('watch.selected', { count })}
      </Typography>
      <Button onClick={onNone}>{t('watch.tickNone')}</Button>
      <Box sx={{ ml: 'auto', display: 'flex', flexWrap: 'wrap', gap: 1 }}>{children}</Box>
    </Box>
  );
}
