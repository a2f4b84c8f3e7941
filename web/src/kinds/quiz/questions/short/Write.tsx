import { FormControlLabel, Switch, TextField, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import { Lines } from '../Lines';
import type { WriteProps } from '../room';

/** Forms that are taken, with what each of them gives. */
export function Write({ part, edit }: WriteProps<'short'>) {
  const t = useTranslations();
  const { forms } = part;
  const set = (at: number, more: Partial<(typeof forms)[number]>) =>
    edit({ ...part, forms: forms.map((f, n) => (n === at ? { ...f, ...more } : f)) });
  return (
    <>
      <Lines
        least={1}
        add={t('plan.addForm')}
        onAdd={() => edit({ ...part, forms: [...forms, { words: '', share: 1 }] })}
        onRemove={(at) => edit({ ...part, forms: forms.filter((_, n) => `${n}` !== at) })}
        lines={forms.map((f, n) => ({
          id: `${n}`,
          name: f.words,
          line: (
            <>
              <TextField
                placeholder={t('plan.form', { n: n + 1 })}
                value={f.words}
                error={!f.words.trim()}
                onChange={(e) => set(n, { words: e.target.value })}
                slotProps={{ htmlInput: { 'aria-label': t('plan.form', { n: n + 1 }) } }}
              />
              <TextField
                type="number"
                value={Math.round(f.share * 100)}
                onChange={(e) =>
                  set(n, { share: Math.max(1, Math.min(100, Number(e.target.value))) / 100 })
                }
                slotProps={{
                  htmlInput: { 'aria-label': t('plan.shareOf', { n: n + 1 }) },
                  input: { endAdornment: '%' },
                }}
                sx={{ width: 84, flex: 'none' }}
              />
            </>
          ),
        }))}
      />
      <Typography variant="caption" color="textSecondary">
        {t('plan.formHint')}
      </Typography>
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
