import { Box, Button, Typography } from '@mui/material';
import { useTranslation } from 'react-i18next';
import { useSaving } from '../ui/useSaving';

/** Says whether everything that was done is kept, and what to do where it is not. */
export function SavingState() {
  const { t } = useTranslation();
  const state = useSaving();
  const words = {
    nothing: () => '',
    saved: () => t('common.saved'),
    saving: () => t('common.saving'),
    offline: (s: { waiting: number }) =>
      s.waiting > 0 ? t('common.offlineWaiting', { count: s.waiting }) : t('common.offline'),
    refused: (s: { why: string }) => t('common.failed', { detail: s.why }),
    failed: (s: { why: string }) => t('common.failed', { detail: s.why }),
  }[state.is] as (s: typeof state) => string;
  const trouble = state.is === 'failed' || state.is === 'refused' || state.is === 'offline';
  return (
    <Box
      role="status"
      sx={{
        display: { xs: trouble ? 'flex' : 'none', md: 'flex' },
        alignItems: 'center',
        gap: 1,
        minWidth: 0,
        order: { xs: 4, md: 0 },
        flexBasis: { xs: '100%', md: 'auto' },
        maxWidth: { md: 420 },
      }}
    >
      <Typography
        variant="body2"
        noWrap={!trouble}
        sx={{ color: trouble ? 'tone.bandInk' : 'tone.bandSoft', fontWeight: trouble ? 700 : 400 }}
      >
        {words(state)}
      </Typography>
      {state.is === 'failed' && (
        <>
          <Button size="small" color="inherit" variant="outlined" onClick={state.again}>
            {t('common.retry')}
          </Button>
          <Button size="small" color="inherit" onClick={state.leave}>
            {t('common.leaveIt')}
          </Button>
        </>
      )}
    </Box>
  );
}
