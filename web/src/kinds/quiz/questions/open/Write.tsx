import { TextField, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { WriteProps } from '../room';

/** What those who mark it look for. */
export function Write({ part, edit }: WriteProps<'open'>) {
  const t = useTranslations();
  return (
    <>
      <TextField
        label={t('plan.expected')}
        multiline
        minRows={2}
        value={part.expected}
        onChange={(e) => edit({ ...part, expected: e.target.value })}
        slotProps={{ htmlInput: { maxLength: 10_000 } }}
      />
      <Typography variant="caption" color="textSecondary">
        {t('plan.openHint')}
      </Typography>
    </>
  );
}
