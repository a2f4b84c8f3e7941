import { Box, Button, Typography } from '@mui/material';
import { type QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, type BeadInfo } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { Field, FormDialog } from '../ui/FormDialog';
import { day } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { Section } from '../ui/Panel';
import { useActKey } from '../ui/useActKey';
import { useFields } from '../ui/useFields';
import { useLine } from '../ui/useNames';

const excuse = z.object({ kind: z.literal('EXCUSE'), reason: z.string() });

const time = z.object({
  kind: z.literal('ADD_TIME'),
  minutes: z.pipe(z.coerce.number(), z.int().check(z.minimum(1), z.maximum(600))),
  reason: z.string(),
});

type Given = {
  kind: 'OPEN' | 'EXCUSE' | 'ADD_ATTEMPTS' | 'ADD_TIME';
  reason: string;
  minutes?: number;
};

/** Gives the learner an exception at this step. */
function useGiving<G extends Given = Given>(bead: BeadInfo, onGiven: () => void) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const once = useActKey();
  return useMutation({
    mutationFn: (given: G) => {
      const exception = { ...given, step: bead.step };
      return api.POST('/api/courses/{course}/learners/{enrolment}/exceptions', {
        params: { path: { course: course.id, enrolment: bead.enrolment } },
        headers: once.headers({ enrolment: bead.enrolment, exception }),
        body: exception,
      });
    },
    onSuccess: () => {
      once.renew();
      notice({ tone: 'success', text: t('watch.exceptionDone') });
      exceptionsChanged(client, course.id);
      onGiven();
    },
  });
}

/** What staff can allow one learner at one step, and what was allowed. */
export function Exceptions({ bead }: { bead: BeadInfo }) {
  const t = useTranslations();
  const notice = useNotice();
  const [excusing, setExcusing] = useState(false);
  const [timing, setTiming] = useState(false);
  const give = useGiving(bead, () => {});
  const at = (kind: Given['kind']) =>
    give.mutate(
      { kind, reason: '' },
      { onError: (e) => notice({ tone: 'error', text: e.message }) },
    );
  if (bead.state === 'DONE' || bead.state === 'EXCUSED' || bead.state === 'NOT_FOR_THEM')
    return <Standing bead={bead} />;
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5, flexWrap: 'wrap' }}>
        {bead.attemptsLeft === 0 && (
          <Button variant="contained" onClick={() => at('ADD_ATTEMPTS')}>
            {t('watch.giveAttempt')}
          </Button>
        )}
        {bead.state === 'CLOSED' && (
          <Button variant="outlined" onClick={() => at('OPEN')}>
            {t('watch.openNow')}
          </Button>
        )}
        <Button variant="outlined" onClick={() => setExcusing(true)}>
          {t('watch.excuse')}
        </Button>
        {bead.kind === 'QUIZ' && (
          <Button variant="outlined" onClick={() => setTiming(true)}>
            {t('watch.giveTime')}
          </Button>
        )}
        {timing && <TimeDialog bead={bead} onClose={() => setTiming(false)} />}
        {excusing && <ExcuseDialog bead={bead} onClose={() => setExcusing(false)} />}
      </Box>
      <Standing bead={bead} />
    </>
  );
}

function ExcuseDialog({ bead, onClose }: { bead: BeadInfo; onClose: () => void }) {
  const t = useTranslations();
  const fields = useFields(excuse, { kind: 'EXCUSE', reason: '' });
  const give = useGiving<z.infer<typeof excuse>>(bead, onClose);
  return (
    <FormDialog
      title={t('watch.excuseTitle', { name: bead.learner, step: bead.name })}
      fields={fields}
      send={give}
      button={t('watch.excuse')}
      onClose={onClose}
    >
      <Typography>{t('watch.excuseHint')}</Typography>
      <Field of={fields} name="reason" label={t('watch.reason')} autoFocus />
    </FormDialog>
  );
}

function TimeDialog({ bead, onClose }: { bead: BeadInfo; onClose: () => void }) {
  const t = useTranslations();
  const fields = useFields(time, { kind: 'ADD_TIME', minutes: 10, reason: '' });
  const give = useGiving<z.infer<typeof time>>(bead, onClose);
  return (
    <FormDialog
      title={t('watch.timeTitle', { name: bead.learner, step: bead.name })}
      fields={fields}
      send={give}
      button={t('watch.giveTime')}
      onClose={onClose}
    >
      <Typography>{t('watch.timeHint')}</Typography>
      <Field of={fields} name="minutes" label={t('watch.minutesMore')} type="number" autoFocus />
      <Field of={fields} name="reason" label={t('watch.reason')} />
    </FormDialog>
  );
}

export function exceptionsChanged(client: QueryClient, course: number) {
  for (const key of ['bead', 'progress', 'learner', 'followUp', 'exceptions', 'decisions'])
    void client.invalidateQueries({ queryKey: [key, course] });
}

/** The exceptions that stand at this step; each can end or be taken back. */
function Standing({ bead }: { bead: BeadInfo }) {
  const t = useTranslations();
  const line = useLine();
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
      exceptionsChanged(client, course.id);
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
      exceptionsChanged(client, course.id);
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
              ({line(e.by, day(e.at))})
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
