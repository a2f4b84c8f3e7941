import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import { Section } from '../../ui/Panel';
import { useNames } from '../../ui/useNames';
import type { LearnerProps } from '../room';

/** What was reached in the course. */
export default function Learner({ part }: LearnerProps<'closing'>) {
  const t = useTranslations();
  const names = useNames();
  return (
    <Section title={t('learn.reached')}>
      <Typography>{t('learn.stepsDone', { done: part.done, count: part.steps })}</Typography>
      {part.badges.length > 0 && (
        <Typography>{t('learn.reachedBadges', { names: names(part.badges) })}</Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0 }}>
        {part.outcomes.map((o) => (
          <Box
            component="li"
            key={o.name}
            sx={{
              display: 'flex',
              gap: 2,
              py: 0.5,
              borderTop: 1,
              borderColor: 'divider',
              flexWrap: 'wrap',
            }}
          >
            <Typography sx={{ flex: 1, minWidth: 200 }}>{o.name}</Typography>
            <Typography
              sx={{ fontWeight: o.mastered ? 700 : 400 }}
              color={o.mastered ? 'success' : 'textSecondary'}
            >
              {o.level ?? t('learn.noEvidence')}
            </Typography>
          </Box>
        ))}
      </Box>
    </Section>
  );
}
