import { Alert, Box, Button, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { type Attempt, api, body, type Result } from '../../api/client';
import { useCourse } from '../../frame/course';
import { day, inPercent, percent } from '../../ui/format';
import { useNotice } from '../../ui/Notice';
import { useLine, useNames } from '../../ui/useNames';
import { type LearnerProps, watching } from '../room';
import { QuizForm } from './QuizForm';
import { QuizResult } from './QuizResult';

export default function Learner({ page, walk, refresh, part: quiz }: LearnerProps<'quiz'>) {
  const t = useTranslations();
  const names = useNames();
  const line = useLine();
  const course = useCourse();
  const notice = useNotice();
  const [attempt, setAttempt] = useState<Attempt | null>(null);
  const [result, setResult] = useState<Result | null>(null);
  const path = { course: course.id, walk, step: page.id };
  const begin = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/attempts', { params: { path } }),
      ),
    onSuccess: (a) => {
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
  if (attempt) return <QuizForm attempt={attempt} path={path} onFinished={finished} />;
  const used = quiz.attemptsLeft === 0;
  const next = quiz.attempts.length + (quiz.current ? 0 : 1);
  return (
    <Box sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
      {result && <QuizResult result={result} />}
      <Typography>
        {t('learn.quizInfo', {
          count: quiz.questions,
          points: quiz.points,
          pass: percent(quiz.passMark),
        })}{' '}
        {quiz.attemptsLeft < 0
          ? t('learn.anyAttempts')
          : used
            ? t('learn.noneLeft')
            : t('learn.left', { count: quiz.attemptsLeft })}
        {quiz.best !== undefined && `. ${t('learn.best', { percent: percent(quiz.best) })}`}
      </Typography>
      {begin.error && <Alert severity="error">{begin.error.message}</Alert>}
      {!used && page.state !== 'MISSED' && !watching(walk) && (
        <Button
          variant={page.state === 'DONE' ? 'outlined' : 'contained'}
          sx={{ justifySelf: 'start' }}
          disabled={begin.isPending}
          onClick={() => begin.mutate()}
        >
          {t(quiz.current ? 'learn.resume' : 'learn.startAttempt', { n: quiz.current || next })}
        </Button>
      )}
      {quiz.attempts
        .filter((a) => a.finished)
        .map((a) => (
          <Box key={a.number} sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
            <Typography variant="body2" color="textSecondary" sx={{ minWidth: 190 }}>
              {line(t('learn.attempt', { n: a.number }), day(a.finished))}
              <Box component="b" sx={{ ml: 1 }}>
                {inPercent(a.share ?? 0)}
              </Box>
            </Typography>
            <Button size="small" variant="outlined" onClick={() => review.mutate(a.number)}>
              {t('learn.look')}
            </Button>
          </Box>
        ))}
    </Box>
  );
}
