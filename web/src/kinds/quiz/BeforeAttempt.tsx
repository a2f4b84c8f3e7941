import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import { moment, percent } from '../../ui/format';
import { useLine, useNames } from '../../ui/useNames';
import type { LearnerProps } from '../room';

/** What an attempt asks and what it gives, said before it begins. */
export function BeforeAttempt({ quiz }: { quiz: LearnerProps<'quiz'>['part'] }) {
  const t = useTranslations();
  const line = useLine();
  const names = useNames();
  const { time } = quiz;
  const facts = [
    quiz.selfCheck
      ? t('attempt.isCheck', { count: quiz.questions })
      : t('learn.quizInfo', {
          count: quiz.questions,
          points: quiz.points,
          pass: percent(quiz.passMark),
        }),
    time && t(`attempt.has.${time.timeUp}`, { n: time.minutes, grace: time.graceMinutes }),
    quiz.pages === 'FORWARD' && t('attempt.goesForward'),
    !quiz.selfCheck &&
      (quiz.attemptsLeft < 0
        ? t('learn.anyAttempts')
        : quiz.attemptsLeft === 0
          ? t('learn.noneLeft')
          : t('learn.left', { count: quiz.attemptsLeft })),
    !quiz.selfCheck &&
      quiz.attemptsLeft !== 0 &&
      quiz.counts !== 'BEST' &&
      t(`attempt.countIs.${quiz.counts}`),
    quiz.fullMarks &&
      quiz.fullMarks.opens.length > 0 &&
      t('attempt.fullOpens', { names: names(quiz.fullMarks.opens) }),
    quiz.fullMarks &&
      quiz.fullMarks.earns.length > 0 &&
      t('attempt.fullEarns', {
        count: quiz.fullMarks.earns.length,
        names: names(quiz.fullMarks.earns),
      }),
    quiz.nextAt && t('attempt.nextAt', { at: moment(quiz.nextAt) }),
  ].filter((fact): fact is string => Boolean(fact));
  return (
    <>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {facts.map((fact) => (
          <li key={fact}>
            <Typography>{fact}</Typography>
          </li>
        ))}
      </Box>
      {quiz.score !== undefined && (
        <Typography sx={{ fontWeight: 700 }}>
          {line(
            t(`attempt.scoreIs.${quiz.counts}`, { percent: percent(quiz.score) }),
            quiz.counts !== 'BEST' && quiz.best !== undefined
              ? t('attempt.scoreIs.BEST', { percent: percent(quiz.best) })
              : '',
            quiz.counts !== 'LATEST' && quiz.latest !== undefined && quiz.attempts.length > 1
              ? t('attempt.scoreIs.LATEST', { percent: percent(quiz.latest) })
              : '',
          )}
        </Typography>
      )}
    </>
  );
}
