import { Box, Button, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type BeadInfo } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { Section } from '../ui/Panel';
import { useLine } from '../ui/useNames';
import { ExceptionDialog, type ExceptionKind } from './ExceptionDialog';
import { exceptionsChanged } from './exceptionsChanged';
import { useGiving } from './useGiving';

/** What staff can allow one learner at one step, and what was allowed. */
export function Exceptions({ bead }: { bead: BeadInfo }) {
  const t = useTranslations();
  const [asking, setAsking] = useState<ExceptionKind | null>(null);
  const give = useGiving(bead);
  if (bead.state === 'EXCUSED' || bead.state === 'NOT_FOR_THEM') return <Standing bead={bead} />;
  const done = bead.state === 'DONE';
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5, flexWrap: 'wrap' }}>
        {done && (
          <Button variant="outlined" onClick={() => setAsking('START_ANEW')}>
            {t('watch.startAnew')} …
          </Button>
        )}
        {!done && bead.attemptsLeft === 0 && (
          <Button variant="contained" onClick={() => give.mutate('ADD_ATTEMPTS')}>
            {t('watch.giveAttempt')}
          </Button>
        )}
        {bead.state === 'CLOSED' && (
          <Button variant="outlined" onClick={() => give.mutate('OPEN')}>
            {t('watch.openNow')}
          </Button>
        )}
        {!done && (
          <>
            <Button variant="outlined" onClick={() => setAsking('EXCUSE')}>
              {t('watch.excuse')} …
            </Button>
            <Button variant="outlined" onClick={() => setAsking('MOVE_DUE')}>
              {t('watch.moreExceptions')}
            </Button>
          </>
        )}
        {asking && (
          <ExceptionDialog
            learners={[{ enrolment: bead.enrolment, name: bead.learner }]}
            steps={[{ id: bead.step, name: bead.name }]}
            kind={asking}
            onClose={() => setAsking(null)}
          />
        )}
      </Box>
      <Standing bead={bead} />
    </>
  );
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
            {e.kind !== 'ANEW' && (
              <Button
                size="small"
                variant="outlined"
                title={t('watch.endExceptionHint')}
                disabled={end.isPending}
                onClick={() => end.mutate(e.fact)}
              >
                {t('watch.endException')}
              </Button>
            )}
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
