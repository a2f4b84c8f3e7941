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
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { api, type BeadInfo } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { Bead, useBeadWords } from '../ui/Glyphs';
import { useNotice } from '../ui/Notice';
import { Kicker, Loaded, Section } from '../ui/Panel';
import { RuleParts } from '../ui/Parts';
import { Happenings } from './Happenings';

interface Props {
  enrolment: number;
  step: number;
  onLearner: () => void;
}

/** Why one step is in its state for one learner, whose turn it is, and what staff can do about it. */
export function BeadInspector({ enrolment, step, onLearner }: Props) {
  const { t } = useTranslation();
  const course = useCourse();
  const words = useBeadWords();
  const bead = useQuery(queries.bead(course.id, enrolment, step));
  return (
    <Loaded query={bead}>
      {(data) => (
        <>
          <Kicker>
            {t(`kind.${data.kind}`)} ·{' '}
            <Button size="small" onClick={onLearner} sx={{ p: 0, verticalAlign: 'baseline' }}>
              {data.learner}
            </Button>
          </Kicker>
          <Typography variant="h1">{data.name}</Typography>
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mt: 1 }}>
            <Bead bead={data} silent size={22} />
            <Typography sx={{ fontWeight: 700 }}>{words(data)}</Typography>
          </Box>
          <Typography>
            {data.turn} {data.due && t('learn.due', { date: day(data.due) })}
            {data.attemptsLeft >= 0 &&
              ` · ${t('watch.attemptsLeft', { count: data.attemptsLeft })}`}
          </Typography>
          <Exceptions bead={data} />
          <Section title={t('watch.openRule')}>
            {data.opens.length === 0 ? (
              <Typography variant="body2">{t('watch.noRule')}</Typography>
            ) : (
              data.opens.map((p) => <RuleParts key={p.id} part={p} />)
            )}
          </Section>
          {data.done && (
            <Section title={t('watch.doneRule')}>
              <RuleParts part={data.done} />
            </Section>
          )}
          {data.happened.length > 0 && (
            <Section title={t('watch.happened')}>
              <Happenings list={data.happened} />
            </Section>
          )}
        </>
      )}
    </Loaded>
  );
}

function Exceptions({ bead }: { bead: BeadInfo }) {
  const { t } = useTranslation();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const [reason, setReason] = useState<string | null>(null);
  const give = useMutation({
    mutationFn: (kind: 'OPEN' | 'EXCUSE' | 'ADD_ATTEMPTS') =>
      api.POST('/api/courses/{course}/learners/{enrolment}/exceptions', {
        params: { path: { course: course.id, enrolment: bead.enrolment } },
        body: { kind, step: bead.step, reason: reason ?? '' },
      }),
    onSuccess: () => {
      setReason(null);
      notice({ tone: 'success', text: t('watch.exceptionDone') });
      for (const key of ['bead', 'progress', 'learner', 'followUp'])
        void client.invalidateQueries({ queryKey: [key, course.id] });
    },
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
  if (bead.state === 'DONE' || bead.state === 'EXCUSED' || bead.state === 'NOT_FOR_THEM')
    return null;
  return (
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
        <DialogTitle>{t('watch.excuseTitle', { name: bead.learner, step: bead.name })}</DialogTitle>
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
  );
}
