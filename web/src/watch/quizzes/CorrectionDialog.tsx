import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  Radio,
  RadioGroup,
  TextField,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type CorrectionAsked, type QuestionFigures } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { useNotice } from '../../ui/Notice';
import { Effect } from './Effect';

const WHATS = ['RIGHT_ANSWER', 'LEFT_OUT', 'FULL_MARKS'] as const;

/** Puts a question right after it was asked: first what that does, then the act. */
export function CorrectionDialog({
  step,
  question,
  onClose,
}: {
  step: number;
  question: QuestionFigures;
  onClose: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const [what, setWhat] = useState<CorrectionAsked['what']>(
    question.changed ? 'RIGHT_ANSWER' : 'FULL_MARKS',
  );
  const [reason, setReason] = useState('');
  const effect = useQuery(
    queries.correctionEffect(course.id, step, { question: question.id, what }),
  );
  const apply = useMutation({
    meta: { silent: true },
    mutationFn: () =>
      api.POST('/api/courses/{course}/quizzes/{step}/corrections', {
        params: { path: { course: course.id, step } },
        body: { question: question.id, what, reason },
      }),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: ['quiz-figures', course.id, step] });
      notice({ tone: 'success', text: t('figures.markedAnew') });
      onClose();
    },
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('figures.putRight')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5, alignContent: 'start' }}>
        <Typography sx={{ fontWeight: 700 }}>{question.text}</Typography>
        <RadioGroup
          aria-label={t('figures.putRight')}
          value={what}
          onChange={(_, next) => setWhat(next as typeof what)}
        >
          {WHATS.map((one) => (
            <FormControlLabel
              key={one}
              value={one}
              control={<Radio size="small" />}
              label={t(`figures.what.${one}`)}
            />
          ))}
        </RadioGroup>
        {effect.error ? (
          <Alert role="status" severity="info">
            {effect.error.message}
          </Alert>
        ) : (
          <Effect effect={effect.data} />
        )}
        <TextField
          label={t('figures.reason')}
          helperText={t('figures.reasonHint')}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 2000 } }}
        />
        {apply.error && <Alert severity="error">{apply.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={!effect.data || effect.isFetching || !reason.trim() || apply.isPending}
          onClick={() => apply.mutate()}
        >
          {t('figures.markAnew', { count: effect.data?.attempts ?? 0 })}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
