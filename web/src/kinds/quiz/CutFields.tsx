import { Box, FormControlLabel, Switch, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Design, DesignStep } from '../../api/client';
import { percent } from '../../ui/format';
import { SavedField } from '../../ui/SavedField';
import { readCuts, usualCuts } from './cuts';

type Tie = DesignStep['evidenceFor'][number];

/** From which share of a quiz on each level is reached: by the pass mark, or by own cut points. */
export function CutFields({
  tie,
  design,
  onChange,
}: {
  tie: Tie;
  design: Design;
  onChange: (cuts: number[] | undefined) => void;
}) {
  const t = useTranslations();
  const outcome = design.outcomes.find((o) => o.id === tie.outcome);
  const scale = design.scales.find((s) => s.id === outcome?.scale);
  if (!outcome || !scale || outcome.madeOf) return null;
  const texts = scale.levels.slice(1).map((_, n) => {
    const cut = tie.cuts?.[n];
    return cut === undefined ? '' : `${percent(cut)}`;
  });
  return (
    <div>
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={tie.cuts !== undefined}
            onChange={(_, own) => onChange(own ? usualCuts(scale.mastery) : undefined)}
          />
        }
        label={t('plan.ownCuts', { code: outcome.code })}
      />
      {tie.cuts ? (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 0.5 }}>
          {scale.levels.slice(1).map((level, n) => (
            <SavedField
              key={level.key}
              label={t('plan.cutFrom', { level: level.name })}
              type="number"
              value={texts[n] ?? ''}
              onSave={(text) => onChange(readCuts(texts.map((x, i) => (i === n ? text : x))))}
              slotProps={{ inputLabel: { shrink: true } }}
              sx={{ width: 150 }}
            />
          ))}
          <Typography variant="caption" color="textSecondary">
            {t('plan.cutHint')}
          </Typography>
        </Box>
      ) : (
        <Typography variant="caption" color="textSecondary" component="p">
          {t('plan.usualCuts', { level: scale.levels[scale.mastery]?.name ?? '' })}
        </Typography>
      )}
    </div>
  );
}
