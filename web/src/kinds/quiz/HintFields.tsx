import { Box, Button, IconButton, TextField, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Question } from '../../api/client';

type Hints = NonNullable<Question['hints']>;

/** Help that who answers may ask for, and what it costs. */
export function HintFields({
  hints,
  onChange,
}: {
  hints: Hints;
  onChange: (hints: Hints) => void;
}) {
  const t = useTranslations();
  const set = (n: number, more: Partial<Hints[number]>) =>
    onChange(hints.map((h, i) => (i === n ? { ...h, ...more } : h)));
  return (
    <>
      {hints.map((hint, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: hints have nothing but their place
        <Box key={n} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <TextField
            label={t('plan.hint', { n: n + 1 })}
            multiline
            value={hint.text}
            error={!hint.text.trim()}
            onChange={(e) => set(n, { text: e.target.value })}
            slotProps={{ htmlInput: { maxLength: 2000 } }}
          />
          <TextField
            label={t('plan.hintCosts')}
            type="number"
            value={Math.round(hint.cost * 100)}
            onChange={(e) =>
              set(n, { cost: Math.max(0, Math.min(100, Number(e.target.value))) / 100 })
            }
            slotProps={{ input: { endAdornment: '%' } }}
            sx={{ width: 92, flex: 'none' }}
          />
          <IconButton
            size="small"
            aria-label={t('plan.removeCondition', { name: t('plan.hint', { n: n + 1 }) })}
            onClick={() => onChange(hints.filter((_, i) => i !== n))}
          >
            ×
          </IconButton>
        </Box>
      ))}
      {hints.length > 0 && (
        <Typography variant="caption" color="textSecondary">
          {t('plan.hintHelp')}
        </Typography>
      )}
      {hints.length < 10 && (
        <Button
          size="small"
          sx={{ justifySelf: 'start' }}
          onClick={() => onChange([...hints, { text: '', cost: 0.25 }])}
        >
          {t('plan.addHint')}
        </Button>
      )}
    </>
  );
}
