import { Alert, Box, Button, FormControl, FormLabel, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { type Attempt, api, body, type GivenAnswer, type Result } from '../../api/client';
import { questionRoom } from './questions/rooms';

interface Props {
  attempt: Attempt;
  path: { course: number; walk: string; step: number };
  onFinished: (result: Result) => void;
}

/** An attempt: every answer is kept as it is given. */
export function QuizForm({ attempt, path, onFinished }: Props) {
  const t = useTranslations();
  const [answers, setAnswers] = useState<Record<string, GivenAnswer>>(attempt.answers);
  const params = { path: { ...path, number: attempt.number } };
  // Answers that waited for a connection come before they are handed in.
  const scope = { id: `attempt-${path.step}-${attempt.number}` };
  const keep = useMutation({
    scope,
    meta: { about: () => scope.id },
    mutationFn: (all: Record<string, GivenAnswer>) =>
      api.PUT('/api/courses/{course}/walks/{walk}/steps/{step}/attempts/{number}', {
        params,
        body: { answers: all },
      }),
  });
  const finish = useMutation({
    scope,
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/attempts/{number}/result', {
          params,
          body: { answers: latest.current },
        }),
      ),
    onSuccess: onFinished,
  });
  const latest = useRef(answers);
  const give = (question: string, given: GivenAnswer | undefined) => {
    const { [question]: _, ...rest } = latest.current;
    const all = given ? { ...rest, [question]: given } : rest;
    latest.current = all;
    setAnswers(all);
    keep.mutate(all);
  };
  const open = attempt.questions.filter((q) => !answers[q.id]).length;
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        finish.mutate();
      }}
      sx={{ mt: 2, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">{t('learn.attempt', { n: attempt.number })}</Typography>
      {attempt.questions.map((q, n) => {
        const { Ask } = questionRoom(q.part.is);
        return (
          <FormControl
            key={q.id}
            sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', borderRadius: 1, p: 2 }}
          >
            <FormLabel id={`question-${q.id}`} sx={{ color: 'tone.ink', fontWeight: 700 }}>
              {n + 1}. {q.text}
            </FormLabel>
            <Ask
              part={q.part}
              labelledBy={`question-${q.id}`}
              given={answers[q.id]}
              answer={(given) => give(q.id, given)}
            />
          </FormControl>
        );
      })}
      {(finish.error ?? keep.error) && (
        <Alert severity="error">{(finish.error ?? keep.error)?.message}</Alert>
      )}
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button type="submit" variant="contained" disabled={finish.isPending}>
          {t('learn.handInAnswers')}
        </Button>
        <Typography variant="body2" color="textSecondary">
          {open > 0 ? t('learn.unanswered', { count: open }) : t('learn.answersKept')}
        </Typography>
      </Box>
    </Box>
  );
}
