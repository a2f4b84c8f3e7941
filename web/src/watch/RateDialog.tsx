import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  MenuItem,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { useActKey } from '../ui/useActKey';
import { useNames } from '../ui/useNames';
import type { MasteryRow, OutcomeHead } from './spread';

/** How many are named. */
const NAMES = 6;

interface Props {
  outcomes: OutcomeHead[];
  learners: MasteryRow[];
  /** The outcome to begin with, if one was chosen in the grid. */
  outcome: number | undefined;
  onClose: () => void;
}

/** One rating for every learner who is ticked, with a way back. */
export function RateDialog({ outcomes, learners, outcome, onClose }: Props) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const rateable = outcomes.filter((o) => !o.composed && !o.retired);
  const [chosen, setChosen] = useState(
    rateable.find((o) => o.id === outcome)?.id ?? rateable[0]?.id ?? 0,
  );
  const [level, setLevel] = useState<number | null>(null);
  const [note, setNote] = useState('');
  const on = rateable.find((o) => o.id === chosen);
  const fresh = () => {
    for (const key of ['mastery', 'cell', 'progress'])
      void client.invalidateQueries({ queryKey: [key, course.id] });
  };
  const path = { course: course.id };
  const once = useActKey();
  const rate = useMutation({
    mutationFn: () => {
      const rating = {
        outcome: chosen,
        level: level ?? 0,
        learners: learners.map((l) => l.enrolment),
        note,
      };
      return body(
        api.POST('/api/courses/{course}/ratings', {
          params: { path },
          headers: once.headers(rating),
          body: rating,
        }),
      );
    },
    onSuccess: (given) => {
      once.renew();
      fresh();
      notice({
        tone: 'success',
        text: t('watch.rated', { count: given.length, code: on?.code ?? '' }),
        undo: () =>
          void api
            .POST('/api/courses/{course}/ratings/taken-back', {
              params: { path },
              body: { ratings: given, reason: t('watch.ratedBack') },
            })
            .then(fresh),
      });
      onClose();
    },
  });
  const names = learners.map((l) => l.name);
  const listed = useNames();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('watch.rateTitle', { count: learners.length })}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.75 }}>
        <Typography variant="body2" color="textSecondary">
          {listed(names, NAMES)}
        </Typography>
        <TextField
          select
          label={t('watch.rateOutcome')}
          value={chosen}
          onChange={(e) => {
            setChosen(Number(e.target.value));
            setLevel(null);
          }}
        >
          {rateable.map((o) => (
            <MenuItem key={o.id} value={o.id}>
              {o.code} {o.name}
            </MenuItem>
          ))}
        </TextField>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={level}
          onChange={(_, next) => setLevel(next)}
          aria-label={t('watch.rateLevel')}
          sx={{ flexWrap: 'wrap' }}
        >
          {on?.levels.map((name, n) => (
            <ToggleButton key={name} value={n} sx={{ fontWeight: n >= on.mastery ? 700 : 400 }}>
              {name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <TextField
          label={t('watch.rateNote')}
          multiline
          minRows={2}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
        {rate.error && <Alert severity="error">{rate.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={level === null || !on || rate.isPending}
          onClick={() => rate.mutate()}
        >
          {t('watch.rate', { count: learners.length })}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
