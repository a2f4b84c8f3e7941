import { Box, Button, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Mend, RuleChange } from '../../api/client';
import { Section } from '../../ui/Panel';

/** Rules as sentences before and after, each with a way back. */
export function RuleChanges({
  changes,
  onBack,
}: {
  changes: RuleChange[];
  onBack?: (...back: Mend[]) => void;
}) {
  const t = useTranslations();
  const all = changes.flatMap((change) => change.back ?? []);
  if (changes.length === 0)
    return <Typography sx={{ color: 'tone.soft', mt: 1.5 }}>{t('plan.noRuleChanged')}</Typography>;
  return (
    <Section title={t('plan.rulesChanged', { count: changes.length })}>
      {onBack && all.length > 1 && (
        <Button size="small" variant="outlined" sx={{ mb: 1.5 }} onClick={() => onBack(...all)}>
          {t('plan.takeAllBack')}
        </Button>
      )}
      {changes.map((change) => (
        <Box
          key={change.place}
          sx={{
            bgcolor: 'tone.panel',
            border: 1,
            borderColor: 'divider',
            borderRadius: 1,
            p: 1.5,
            mb: 1.5,
          }}
        >
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
            <Typography sx={{ fontWeight: 700, flex: 1 }}>{change.place}</Typography>
            {change.back && onBack && (
              <Button
                size="small"
                variant="outlined"
                aria-label={t('plan.takeBackOf', { place: change.place })}
                onClick={() => change.back && onBack(change.back)}
              >
                {t('plan.takeBack')}
              </Button>
            )}
          </Box>
          <Box
            component="dl"
            sx={{
              display: 'grid',
              gridTemplateColumns: 'max-content 1fr',
              columnGap: 1.5,
              rowGap: 0.5,
              m: 0,
              mt: 0.5,
              '& dt': { color: 'tone.soft' },
              '& dd': { m: 0 },
            }}
          >
            <dt>{t('plan.before')}</dt>
            <dd>{change.before ?? t('plan.ruleNone')}</dd>
            <dt>{t('plan.after')}</dt>
            <dd>
              <b>{change.after ?? t('plan.ruleNone')}</b>
            </dd>
          </Box>
        </Box>
      ))}
    </Section>
  );
}
