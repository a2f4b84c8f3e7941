import { Box } from '@mui/material';
import { useTranslations } from 'use-intl';

/** The day on which something was completed, with a check. */
export function CompletedMark({ at }: { at: string }) {
  const t = useTranslations();
  return (
    <Box component="span" sx={{ color: 'tone.lagoon', fontWeight: 700, whiteSpace: 'nowrap' }}>
      <svg width={12} height={12} viewBox="0 0 14 14" role="img" aria-label={t('state.DONE')}>
        <path d="M2 7l3.5 3.5L12 3.5" stroke="currentColor" strokeWidth={2.2} fill="none" />
      </svg>{' '}
      {at}
    </Box>
  );
}
