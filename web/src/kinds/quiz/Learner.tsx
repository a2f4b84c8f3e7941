import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useTranslations } from 'use-intl';
import { ApiError, type Attempt, api, body, type Result } from '../../api/client';
import { useCourse } from '../../frame/course';
import { day, inPercent } from '../../ui/format';
import { useNotice } from '../../ui/Notice';
import { useLine, useNames } from '../../ui/useNames';
import { type LearnerProps, watching } from '../room';
import { BeforeAttempt } from './BeforeAttempt';
import { QuizForm } from './QuizForm';
import { QuizResult } from './QuizResult';
import { FilesOfQuestions } from './questions/filesOfQuestions';

export default function Learner({ page, walk, refresh, part: quiz }: LearnerProps<'quiz'>) {
  const t = useTranslations();
  const names = useNames();
  const line = useLine();
  const course = useCourse();
  const notice = useNotice();
  const [attempt, setAttempt] = useState<Attempt | null>(null);
  const [result, setResult] = useState<Result | null>(null);
  const [word, setWord] = useState('');
  const path = { course: course.id, walk, step: page.id };
  const begin = useMutation({
    meta: { silent: true },
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/attempts', {
          params: { path },
          body: word.trim() === '' ? {} : { word },
        }),
      ),
    onSuccess: (a) => {
      setWord('');
      setResult(null);
      setAttempt(a);
    },
  });
  const review = useMutation({
    meta: { silent: true },
    mutationFn: (number: number) =>
      body(
        api.GET('/api/courses/{course}/walks/{walk}/steps/{step}/attempts/{number}/result', {
          params: { path: { ...path, number } },
        }),
      ),
    onSuccess: setResult,
  });
  const finished = (r: Result) => {
    setAttempt(null);
    setResult(r);
    refresh();
    if (r.opened.length > 0)
      notice({ tone: 'success', text: t('learn.opened', { names: names(r.opened) }) });
  };
  const files = useMemo(
    () => ({
      address: (file: number) =>
        `/api/courses/${course.id}/walks/${walk}/steps/${page.id}/files/${file}`,
    }),
    [course.id, walk, page.id],
  );
  if (attempt)
    return (
      <FilesOfQuestions value={files}>
        <QuizForm
          attempt={attempt}
          path={path}
          attemptsLeft={quiz.attemptsLeft}
          onFinished={finished}
        />
      </FilesOfQuestions>
    );
  const used = quiz.attemptsLeft === 0;
  const next = quiz.attempts.length + (quiz.current ? 0 : 1);
  const mayBegin = !used && !quiz.nextAt && page.state !== 'MISSED' && !watching(walk);
  const wrongWord = begin.error instanceof ApiError && begin.error.problem.fields?.word;
  return (
    <Box sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
      {result && (
        <FilesOfQuestions value={files}>
          <QuizResult result={result} />
        </FilesOfQuestions>
      )}
      <BeforeAttempt quiz={quiz} />
      {begin.error && !wrongWord && <Alert severity="error">{begin.error.message}</Alert>}
      {mayBegin && (
        <Box
          component="form"
          onSubmit={(e) => {
            e.preventDefault();
            begin.mutate();
          }}
          sx={{ display: 'flex', gap: 1.5, alignItems: 'start', flexWrap: 'wrap' }}
        >
          {quiz.asksWord && !quiz.current && (
            <TextField
              label={t('attempt.sayWord')}
              value={word}
              error={Boolean(wrongWord)}
              helperText={wrongWord || t('attempt.sayWordHint')}
              onChange={(e) => setWord(e.target.value)}
              autoComplete="off"
              sx={{ width: 280 }}
              slotProps={{ htmlInput: { maxLength: 100 } }}
            />
          )}
          <Button
            type="submit"
            variant={page.state === 'DONE' ? 'outlined' : 'contained'}
            disabled={begin.isPending}
          >
            {t(
              quiz.current
                ? 'learn.resume'
                : quiz.selfCheck
                  ? 'attempt.startCheck'
                  : 'learn.startAttempt',
              { n: quiz.current || next },
            )}
          </Button>
        </Box>
      )}
      {quiz.attempts
        .filter((a) => a.finished)
        .map((a) => (
          <Box key={a.number} sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
            <Typography variant="body2" color="textSecondary" sx={{ minWidth: 190 }}>
              {line(t('learn.attempt', { n: a.number }), day(a.finished), inPercent(a.share ?? 0))}
            </Typography>
            <Button size="small" variant="outlined" onClick={() => review.mutate(a.number)}>
              {t('learn.look')}
            </Button>
          </Box>
        ))}
    </Box>
  );
}
