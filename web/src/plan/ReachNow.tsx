import { Box, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import type { Tone } from '../theme';
import { readBead } from '../ui/beads';
import { Section } from '../ui/Panel';

/** How learners stand at a step now, as a bar and in figures. */
export function ReachNow({ step }: { step: number }) {
  const t = useTranslations();
  const course = useCourse();
  const progress = useQuery(queries.progress(course.id)).data;
  const at = progress?.steps.findIndex((s) => s.id === step) ?? -1;
  if (!progress || at < 0 || progress.learners.length === 0) return null;
  const beads = progress.learners.map((l) => readBead(l.thread.charAt(at)));
  const lost = beads.filter((b) => b.outOfReach).length;
  const of = (...states: string[]) =>
    beads.filter((b) => !b.outOfReach && states.includes(b.state)).length;
  const parts: [string, number, Tone][] = [
    [t('plan.reachDone', { count: of('DONE', 'EXCUSED') }), of('DONE', 'EXCUSED'), 'lagoon'],
    [t('plan.reachWaiting', { count: of('WAITING') }), of('WAITING'), 'indigo'],
    [
      t('plan.reachOpen', { count: of('OPEN', 'BEGUN', 'AGAIN') }),
      of('OPEN', 'BEGUN', 'AGAIN'),
      'ochre',
    ],
    [t('plan.reachClosed', { count: of('CLOSED', 'MISSED') }), of('CLOSED', 'MISSED'), 'slate'],
    [t('plan.reachLost', { count: lost }), lost, 'madder'],
  ];
  const shown = parts.filter(([, n]) => n > 0);
  return (
    <Section title={t('plan.reach')}>
      <Box sx={{ display: 'flex', height: 14, gap: '1px' }} aria-hidden>
        {shown.map(([label, n, colour]) => (
          <Box key={label} sx={{ flex: n, bgcolor: `tone.${colour}` }} />
        ))}
      </Box>
      <Typography variant="body2" sx={{ mt: 0.75 }}>
        {shown.map(([label]) => label).join(', ')}{' '}
        <Box component={Link} to={`/c/${course.id}/watch/progress`} sx={{ color: 'inherit' }}>
          {t('frame.progress')}
        </Box>
      </Typography>
    </Section>
  );
}
