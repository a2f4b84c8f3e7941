import { Box, LinearProgress, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { CorrectionEffect } from '../../api/client';
import { Changes } from '../../ui/Changes';
import { inPercent } from '../../ui/format';

const SHOWN = 8;

/** What marking attempts anew would do, by name. */
export function Effect({ effect }: { effect: CorrectionEffect | undefined }) {
  const t = useTranslations();
  if (!effect) return <LinearProgress aria-label={t('figures.reckoning')} />;
  // Others give the same share of other points.
  const shown = effect.scores.filter((s) => s.before !== s.after).slice(0, SHOWN);
  return (
    <Box role="status">
      <Typography sx={{ mb: 1 }}>
        {t('figures.attemptsChange', { count: effect.attempts })}
      </Typography>
      <Box component="ul" sx={{ pl: 2, mt: 0, mb: 1.5 }}>
        {shown.map((s) => (
          <Typography component="li" variant="body2" key={`${s.learner} ${s.attempt}`}>
            {t('figures.scoreChange', {
              name: s.learner,
              n: s.attempt,
              before: inPercent(s.before),
              after: inPercent(s.after),
            })}
          </Typography>
        ))}
        {effect.attempts > shown.length && shown.length > 0 && (
          <Typography component="li" variant="body2" color="textSecondary">
            {t('figures.andMore', { count: effect.attempts - shown.length })}
          </Typography>
        )}
      </Box>
      <Changes
        title={t('plan.impactLosses')}
        changes={effect.changes.filter((c) => c.loss)}
        tone="tone.madder"
      />
      <Changes
        title={t('plan.impactGains')}
        changes={effect.changes.filter((c) => !c.loss)}
        tone="tone.lagoon"
      />
    </Box>
  );
}
