import { Alert, Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Attempt, Result } from '../../api/client';
import { HandInDialog } from './HandInDialog';
import { LeaveDialog } from './LeaveDialog';
import { QuestionCard } from './QuestionCard';
import { QuestionNumbers } from './QuestionNumbers';
import { TimeLeft } from './TimeLeft';
import { type AttemptPath, useAttempt, useTimeLeft } from './useAttempt';

interface Props {
  attempt: Attempt;
  path: AttemptPath;
  /** Attempts that are left with this one, negative for any number. */
  attemptsLeft?: number;
  onFinished: (result: Result) => void;
}

/** An attempt: every answer is kept as it is given. */
export function QuizForm({ attempt: begun, path, attemptsLeft = -1, onFinished }: Props) {
  const t = useTranslations();
  const taken = useAttempt(begun, path, onFinished);
  const { attempt, answers, settled, clock, finish } = taken;
  const { left, questions: untilNoOther } = useTimeLeft(clock, () => {
    if (!finish.isPending && !finish.isSuccess) finish.mutate();
  });
  const [at, setAt] = useState(0);
  const [asking, setAsking] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const { questions, pages = 'ALL' } = attempt;
  const count = attempt.count ?? questions.length;
  const forward = pages === 'FORWARD';
  const first = forward ? attempt.page : at;
  // Where one never goes back there is one question at a time.
  const open = questions.flatMap((q, n) => (answers[q.id] ? [] : [(forward ? first : n) + 1]));
  const shown = pages === 'ONE' ? questions.slice(at, at + 1) : questions;
  const isLast = pages === 'ALL' || first >= count - 1;
  const handIn = () => {
    if (open.length > 0 || attemptsLeft >= 0) setAsking(true);
    else finish.mutate();
  };
  const turn = () => taken.turn.mutate(first + 1);
  const next = () => {
    if (!forward) setAt(at + 1);
    else if (open.length > 0) setLeaving(true);
    else turn();
  };
  return (
    <Box
      component="form"
      onSubmit={(e) => e.preventDefault()}
      sx={{ mt: 2, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">{t('learn.attempt', { n: attempt.number })}</Typography>
      {clock && left !== undefined && (
        <TimeLeft clock={clock} left={left} questions={untilNoOther ?? left} />
      )}
      {pages === 'ONE' && (
        <QuestionNumbers
          count={count}
          at={at}
          answered={(n) => answers[questions[n]?.id ?? ''] !== undefined}
          onGo={setAt}
        />
      )}
      {forward && (
        <Typography color="textSecondary">
          {t('attempt.question', { n: first + 1, count })} {t('attempt.neverBack')}
        </Typography>
      )}
      {shown.map((q, n) => (
        <QuestionCard
          key={q.id}
          question={q}
          rubric={attempt.rubrics[q.id]}
          n={pages === 'ALL' ? n : first}
          given={answers[q.id]}
          answer={(given) => taken.give(q.id, given)}
          hint={() => taken.hint.mutate({ question: q.id, had: q.hints.length })}
          settled={settled.find((a) => a.question === q.id)}
          {...(attempt.oneByOne && { settle: () => taken.settle.mutate(q.id) })}
        />
      ))}
      {taken.error && <Alert severity="error">{taken.error.message}</Alert>}
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        {pages === 'ONE' && (
          <Button variant="outlined" disabled={at === 0} onClick={() => setAt(at - 1)}>
            {t('attempt.previous')}
          </Button>
        )}
        {!isLast && (
          <Button
            variant={forward ? 'contained' : 'outlined'}
            disabled={taken.turn.isPending}
            onClick={next}
          >
            {t('attempt.next')}
          </Button>
        )}
        {(isLast || pages === 'ONE') && (
          <Button variant="contained" disabled={finish.isPending} onClick={handIn}>
            {t(attempt.oneByOne ? 'attempt.endCheck' : 'learn.handInAnswers')}
          </Button>
        )}
        <Typography variant="body2" color="textSecondary">
          {open.length > 0 && !forward && `${t('learn.unanswered', { count: open.length })} `}
        </Typography>
        <Typography
          variant="body2"
          role="status"
          color={taken.kept === 'kept' || taken.kept === 'keeping' ? 'textSecondary' : 'error'}
        >
          {t(`attempt.kept.${taken.kept}`)}
        </Typography>
        {taken.kept === 'failed' && (
          <Button size="small" onClick={taken.again}>
            {t('attempt.tryAgain')}
          </Button>
        )}
      </Box>
      {leaving && (
        <LeaveDialog
          question={first + 1}
          onClose={() => setLeaving(false)}
          onLeave={() => {
            setLeaving(false);
            turn();
          }}
        />
      )}
      {asking && (
        <HandInDialog
          open={open}
          all={!forward}
          attemptsLeft={attemptsLeft}
          onClose={() => setAsking(false)}
          onHandIn={() => {
            setAsking(false);
            finish.mutate();
          }}
        />
      )}
    </Box>
  );
}
