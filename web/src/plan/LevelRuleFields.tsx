import { Box, MenuItem, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { LevelRule } from '../api/client';
import { fromLocalInput, toLocalInput } from '../ui/format';
import { SavedField } from '../ui/SavedField';
import { SavedWhen } from '../ui/when/SavedWhen';

const METHODS = ['MOST_RECENT', 'BEST', 'MEAN', 'RECENCY_WEIGHTED', 'SECURE'] as const;

export const USUAL_RULE: LevelRule = {
  method: 'MOST_RECENT',
  halvesEvery: 2,
  times: 2,
  last: 3,
  fewest: 1,
};

/** A whole number from 1 on, whatever was typed. */
const whole = (text: string) => Math.max(1, Math.round(Number(text)) || 1);

/** What four pieces count in percent, the newest first. */
function shares(halvesEvery: number) {
  const weights = [0, 1, 2, 3].map((newer) => 0.5 ** (newer / halvesEvery));
  const sum = weights.reduce((a, b) => a + b);
  return weights.map((w) => Math.round((100 * w) / sum)).join(', ');
}

/** How a level follows from evidence; each method shows the numbers that it uses. */
export function LevelRuleFields({
  rule,
  onChange,
}: {
  rule: LevelRule;
  onChange: (rule: LevelRule) => void;
}) {
  const t = useTranslations();
  const set = (change: Partial<LevelRule>) => onChange({ ...rule, ...change });
  return (
    <>
      <TextField
        select
        label={t('plan.method')}
        value={rule.method}
        onChange={(e) => set({ method: e.target.value as LevelRule['method'] })}
      >
        {METHODS.map((m) => (
          <MenuItem key={m} value={m}>
            {t(`plan.methods.${m}`)}
          </MenuItem>
        ))}
      </TextField>
      {rule.method === 'RECENCY_WEIGHTED' && (
        <SavedField
          label={t('plan.halvesEvery')}
          type="number"
          value={`${rule.halvesEvery}`}
          helperText={t('plan.halvesExample', { shares: shares(rule.halvesEvery) })}
          onSave={(text) => set({ halvesEvery: Math.min(50, whole(text)) })}
        />
      )}
      {rule.method === 'SECURE' && (
        <Box sx={{ display: 'flex', gap: 1 }}>
          <SavedField
            label={t('plan.times')}
            type="number"
            value={`${rule.times}`}
            onSave={(text) => set({ times: whole(text), last: Math.max(rule.last, whole(text)) })}
          />
          <SavedField
            label={t('plan.ofLast')}
            type="number"
            value={`${rule.last}`}
            onSave={(text) => set({ last: whole(text), times: Math.min(rule.times, whole(text)) })}
          />
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 1 }}>
        <SavedField
          label={t('plan.fewest')}
          type="number"
          value={`${rule.fewest}`}
          onSave={(text) => set({ fewest: whole(text) })}
          sx={{ flex: 1 }}
        />
        <SavedWhen
          label={t('plan.since')}
          kind="day"
          value={toLocalInput(rule.since).slice(0, 10)}
          onSave={(day) => {
            const { since: _, ...rest } = rule;
            const since = fromLocalInput(day && `${day}T00:00`);
            onChange(since ? { ...rest, since } : rest);
          }}
          sx={{ flex: 1 }}
        />
      </Box>
    </>
  );
}
