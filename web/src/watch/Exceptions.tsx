import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { type QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type BeadInfo } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { Section } from '../ui/Panel';
import { useActKey } from '../ui/useActKey';

/** What staff can allow one learner at one step, and what was allowed. */
export function Exceptions({ bead }: { bead: BeadInfo }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const [reason, setReason] = useState<string | null>(null);
  const once = useActKey();
  const give = useMutation({
    mutationFn: (kind: 'OPEN' | 'EXCUSE' | 'ADD_ATTEMPTS') => {
      const exception = { kind, step: bead.step, reason: reason ?? '' };
      return api.POST('/api/courses/{course}/learners/{enrolment}/exceptions', {
        params: { path: { course: course.id, enrolment: bead.enrolment } },
        headers: once.headers({ enrolment: bead.enrolment, exception }),
        body: exception,
      });
    },
    onSuccess: () => {
      once.renew();
      setReason(null);
      notice({ tone: 'success', text: t('watch.exceptionDone') });
      changed(client, course.id);
    },
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
  if (bead.state === 'DONE' || bead.state === 'EXCUSED' || bead.state === 'NOT_FOR_THEM')
    return <Standing bead={bead} />;
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5, flexWrap: 'wrap' }}>
        {bead.attemptsLeft === 0 && (
          <Button variant="contained" onClick={() => give.mutate('ADD_ATTEMPTS')}>
            {t('watch.giveAttempt')}
          </Button>
        )}
        {bead.state === 'CLOSED' && (
          <Button variant="outlined" onClick={() => give.mutate('OPEN')}>
            {t('watch.openNow')}
          </Button>
        )}
        <Button variant="outlined" onClick={() => setReason('')}>
          {t('watch.excuse')}
        </Button>
        <Dialog open={reason !== null} onClose={() => setReason(null)} fullWidth maxWidth="xs">
          <DialogTitle>
            {t('watch.excuseTitle', { name: bead.learner, step: bead.name })}
          </DialogTitle>
          <DialogContent>
            <Typography sx={{ mb: 1.5 }}>{t('watch.excuseHint')}</Typography>
            <TextField
              label={t('watch.reason')}
              value={reason ?? ''}
              onChange={(e) => setReason(e.target.value)}
              autoFocus
            />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setReason(null)}>{t('common.cancel')}</Button>
            <Button variant="contained" onClick={() => give.mutate('EXCUSE')}>
              {t('watch.excuse')}
            </Button>
          </DialogActions>
        </Dialog>
      </Box>
      <Standing bead={bead} />
    </>
  );
}

function changed(client: QueryClient, course: number) {
  for (const key of ['bead', 'progress', 'learner', 'followUp', 'exceptions', 'decisions'])
    void client.invalidateQueries({ queryKey: [key, course] });
}

/** The exceptions that stand at this step; each can end or be taken back. */
function Standing({ bead }: { bead: BeadInfo }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const exceptions = useQuery(queries.exceptions(course.id, bead.enrolment));
  const path = (fact: number) => ({
    path: { course: course.id, enrolment: bead.enrolment, fact },
  });
  const end = useMutation({
    mutationFn: (fact: number) =>
      api.POST('/api/courses/{course}/learners/{enrolment}/exceptions/{fact}/end', {
        params: path(fact),
        body: { reason: '' },
      }),
    onSuccess: () => {
      notice({ tone: 'success', text: t('watch.exceptionEnded') });
      changed(client, course.id);
    },
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
  const takeBack = useMutation({
    mutationFn: (fact: number) =>
      api.DELETE('/api/courses/{course}/learners/{enrolment}/exceptions/{fact}', {
        params: path(fact),
      }),
    onSuccess: () => {
      notice({ tone: 'success', text: t('watch.exceptionTakenBack') });
      changed(client, course.id);
    },
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
  const here = exceptions.data?.filter((e) => e.step === bead.step) ?? [];
  if (here.length === 0) return null;
  return (
    <Section title={t('watch.exceptions')}>
      {here.map((e) => (
        <Box key={e.fact} sx={{ mb: 1 }}>
          <Typography>
            {e.says}{' '}
            <Box component="span" sx={{ color: 'tone.soft' }}>
              ({[e.by, day(e.at)].filter(Boolean).join(', ')})
            </Box>
          </Typography>
          <Box sx={{ display: 'flex', gap: 1 }}>
            <Button
              size="small"
              variant="outlined"
              title={t('watch.endExceptionHint')}
              disabled={end.isPending}
              onClick={() => end.mutate(e.fact)}
            >
              {t('watch.endException')}
            </Button>
            <Button
              size="small"
              variant="outlined"
              title={t('watch.takeBackExceptionHint')}
              disabled={takeBack.isPending}
              onClick={() => takeBack.mutate(e.fact)}
            >
              {t('watch.takeBackException')}
            </Button>
          </Box>
        </Box>
      ))}
    </Section>
  );
}
