import { Box, Button, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, type HeldEnrolment } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { useNames } from '../ui/useNames';

/** Who waits until what the course asks for is complete; nothing while nobody does. */
export function Held() {
  const t = useTranslations();
  const course = useCourse();
  const held = useQuery(queries.held(course.id)).data ?? [];
  if (held.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label={t('roster.held')}
      sx={{ border: 1, borderColor: 'divider', bgcolor: 'tone.panel', px: 2, py: 1, mb: 2 }}
    >
      <Typography variant="h3">{t('roster.held')}</Typography>
      <Typography variant="body2" color="textSecondary">
        {t('roster.heldHint')}
      </Typography>
      {held.map((one) => (
        <Line key={one.person} one={one} />
      ))}
    </Box>
  );
}

function Line({ one }: { one: HeldEnrolment }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const listed = useNames();
  const params = { params: { path: { course: course.id, learner: one.person } } };
  const act = useMutation({
    mutationFn: (enrol: boolean) =>
      enrol
        ? api.POST('/api/courses/{course}/roster/held/{learner}/admission', params)
        : api.DELETE('/api/courses/{course}/roster/held/{learner}', params),
    onSuccess: (_, enrol) => {
      notice({
        tone: 'success',
        text: t(enrol ? 'roster.letIn' : 'roster.dropped', { name: one.name }),
      });
      for (const key of ['progress', 'roster', 'groups', 'held'])
        void client.invalidateQueries({ queryKey: [key, course.id] });
    },
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
  const named = { name: one.name };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, mt: 0.5 }}>
      <Typography sx={{ flex: 1, minWidth: 220 }}>
        <b>{one.name}</b>{' '}
        <Box component="span" sx={{ color: 'tone.soft' }}>
          {t('roster.heldSince', { day: day(one.since), courses: listed(one.missing) })}
        </Box>
      </Typography>
      <Button
        size="small"
        variant="outlined"
        disabled={act.isPending}
        aria-label={t('roster.letInOf', named)}
        onClick={() => act.mutate(true)}
      >
        {t('roster.letInNow')}
      </Button>
      <Button
        size="small"
        disabled={act.isPending}
        aria-label={t('roster.dropOf', named)}
        onClick={() => act.mutate(false)}
      >
        {t('roster.drop')}
      </Button>
    </Box>
  );
}
