import { Box, Button, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import { useSaving } from '../ui/useSaving';

/** Says that everything that was done is kept, or on its way, or was refused and why. */
export function SavingState() {
  const t = useTranslations();
  const state = useSaving();
  return (
    <Typography
      variant="body2"
      role="status"
      noWrap
      title={state.is === 'refused' ? state.why : undefined}
      sx={{
        color: 'tone.bandSoft',
        display: { xs: 'none', md: 'block' },
        maxWidth: { md: 72, lg: 220 },
      }}
    >
      {state.is === 'saved' && t('common.saved')}
      {state.is === 'saving' && t('common.saving')}
      {state.is === 'refused' && t('common.failed', { detail: state.why })}
    </Typography>
  );
}

/** Says what no server heard, and what to do about it, as long as it is so. */
export function NotSaved() {
  const t = useTranslations();
  const state = useSaving();
  if (state.is !== 'offline' && state.is !== 'failed') return null;
  return (
    <Box
      role="alert"
      sx={{
        display: 'flex',
        alignItems: 'center',
        flexWrap: 'wrap',
        gap: 1,
        px: 2,
        py: 0.75,
        bgcolor: 'tone.ochreTint',
        color: 'tone.ink',
        borderBottom: 1,
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      <Typography sx={{ fontWeight: 700 }}>
        {state.is === 'failed'
          ? t('common.failed', { detail: state.why })
          : state.waiting > 0
            ? t('common.offlineWaiting', { count: state.waiting })
            : t('common.offline')}
      </Typography>
      {state.is === 'failed' && (
        <>
          <Button size="small" variant="outlined" onClick={state.again}>
            {t('common.retry')}
          </Button>
          <Button size="small" onClick={state.leave}>
            {t('common.leaveIt')}
          </Button>
        </>
      )}
    </Box>
  );
}
