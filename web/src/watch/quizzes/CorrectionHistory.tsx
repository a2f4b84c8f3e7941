import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type QuizFigures } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { moment } from '../../ui/format';
import { Effect } from './Effect';

/** What was put right, by whom and why, with the way back. */
export function CorrectionHistory({ figures }: { figures: QuizFigures }) {
  const t = useTranslations();
  const [back, setBack] = useState<number | null>(null);
  if (figures.corrections.length === 0) return null;
  const text = (id: string) => figures.questions.find((q) => q.id === id)?.text ?? id;
  return (
    <Box component="section" sx={{ mt: 3 }}>
      <Typography variant="h2">{t('figures.history')}</Typography>
      <Box component="ul" sx={{ pl: 0, listStyle: 'none' }}>
        {figures.corrections.map((c) => (
          <Box component="li" key={c.id} sx={{ display: 'flex', gap: 2, py: 0.75 }}>
            <Box sx={{ flex: 1 }}>
              <Typography sx={{ textDecoration: c.takenBack ? 'line-through' : 'none' }}>
                <b>{t(`figures.righted.${c.what}`)}:</b> {text(c.question)}
              </Typography>
              <Typography variant="body2" color="textSecondary">
                {t('figures.by', { name: c.by, at: moment(c.at), reason: c.reason })}
                {c.takenBack && ` ${t('figures.takenBack', { at: moment(c.takenBack) })}`}
                {!c.marked && ` ${t('figures.stillMarking')}`}
              </Typography>
            </Box>
            {figures.mayCorrect && !c.takenBack && (
              <Button size="small" sx={{ alignSelf: 'start' }} onClick={() => setBack(c.id)}>
                {t('figures.takeBack')}
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {back !== null && <BackDialog step={figures.step} id={back} onClose={() => setBack(null)} />}
    </Box>
  );
}

function BackDialog({ step, id, onClose }: { step: number; id: number; onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const effect = useQuery(queries.effectWithout(course.id, step, id));
  const takeBack = useMutation({
    mutationFn: () =>
      api.POST('/api/courses/{course}/quizzes/{step}/corrections/{id}/return', {
        params: { path: { course: course.id, step, id } },
      }),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: ['quiz-figures', course.id, step] });
      onClose();
    },
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('figures.takeBackTitle')}</DialogTitle>
      <DialogContent>
        <Effect effect={effect.data} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={!effect.data || takeBack.isPending}
          onClick={() => takeBack.mutate()}
        >
          {t('figures.takeBack')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
