import { FormControlLabel, Switch, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { WriteProps } from '../room';

/** A text with its gaps in square brackets. */
export function Write({ part, edit }: WriteProps<'gaps'>) {
  const t = useTranslations();
  return (
    <>
      <TextField
        multiline
        label={t('plan.gapText')}
        value={part.source}
        error={!/\[[^\]]+\]/.test(part.source.replaceAll('[[', ''))}
        onChange={(e) => edit({ ...part, source: e.target.value })}
        helperText={t('plan.gapHint')}
        slotProps={{ htmlInput: { maxLength: 5000 } }}
      />
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={part.withCase}
            onChange={(_, withCase) => edit({ ...part, withCase })}
          />
        }
        label={t('plan.withCase')}
      />
    </>
  );
}
