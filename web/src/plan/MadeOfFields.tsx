import { Box, Checkbox, FormControlLabel, MenuItem, TextField, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Design, DesignOutcome, MadeOf } from '../api/client';
import { SavedField } from '../ui/SavedField';
import type { Draft } from './useDraft';

const HOWS = ['ALL', 'AT_LEAST', 'MEAN', 'LOWEST'] as const;

/** Which other outcomes an outcome is made of, and how their levels combine. */
export function MadeOfFields({
  outcome,
  design,
  draft,
}: {
  outcome: DesignOutcome;
  design: Design;
  draft: Pick<Draft, 'outcome'>;
}) {
  const t = useTranslations();
  const { madeOf } = outcome;
  const others = design.outcomes.filter(
    (o) => o.id !== outcome.id && (!o.retired || outcome.madeOf?.parts.includes(o.id)),
  );
  const set = (next: MadeOf | undefined) =>
    draft.outcome(outcome, { madeOf: next } as Partial<DesignOutcome>);
  const toggle = (id: number, on: boolean) => {
    if (!madeOf) return;
    const parts = on ? [...madeOf.parts, id] : madeOf.parts.filter((p) => p !== id);
    set({ ...madeOf, parts, n: Math.max(1, Math.min(madeOf.n, parts.length)) });
  };
  return (
    <Box>
      <FormControlLabel
        control={
          <Checkbox
            checked={madeOf !== undefined}
            onChange={(e) =>
              set(
                e.target.checked
                  ? { how: 'ALL', n: 1, parts: others.slice(0, 1).map((o) => o.id) }
                  : undefined,
              )
            }
            disabled={others.length === 0}
          />
        }
        label={t('plan.madeOf')}
      />
      {madeOf && (
        <Box sx={{ display: 'grid', gap: 1.25, mt: 0.5 }}>
          <Typography variant="body2" color="textSecondary">
            {t('plan.madeOfHint')}
          </Typography>
          <TextField
            select
            label={t('plan.how')}
            value={madeOf.how}
            onChange={(e) => set({ ...madeOf, how: e.target.value as MadeOf['how'] })}
          >
            {HOWS.map((how) => (
              <MenuItem key={how} value={how}>
                {t(`plan.hows.${how}`)}
              </MenuItem>
            ))}
          </TextField>
          {madeOf.how === 'AT_LEAST' && (
            <SavedField
              label={t('plan.howMany')}
              type="number"
              value={`${madeOf.n}`}
              onSave={(text) =>
                set({
                  ...madeOf,
                  n: Math.max(1, Math.min(madeOf.parts.length, Math.round(Number(text)) || 1)),
                })
              }
            />
          )}
          <Box sx={{ display: 'grid' }}>
            {others.map((o) => (
              <FormControlLabel
                key={o.id}
                control={
                  <Checkbox
                    checked={madeOf.parts.includes(o.id)}
                    disabled={madeOf.parts.length === 1 && madeOf.parts[0] === o.id}
                    onChange={(e) => toggle(o.id, e.target.checked)}
                  />
                }
                label={`${o.code} ${o.name}`}
              />
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}
