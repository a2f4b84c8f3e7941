import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Answer } from '../../api/client';
import { FilledRubric } from '../shared/Assessed';
import { questionRoom } from './questions/rooms';

const COLOURS = {
  RIGHT: 'tone.lagoon',
  PARTLY: 'tone.ink',
  WRONG: 'tone.madder',
  FOR_STAFF: 'tone.ink',
};

/** What became of an answer, as far as it may be known. */
export function AnswerCard({ answer }: { answer: Answer }) {
  const t = useTranslations();
  const { verdict, part, points } = answer;
  const Review = part && questionRoom(part.is).Review;
  return (
    <>
      {answer.righted && (
        <Typography sx={{ fontWeight: 700 }}>{t(`attempt.righted.${answer.righted}`)}</Typography>
      )}
      {(verdict || part) && (
        <Typography component="div">
          {verdict && (
            <Box component="b" sx={{ color: COLOURS[verdict] }}>
              {t(`learn.verdict.${verdict}`)}
              {points !== undefined && (verdict === 'PARTLY' || answer.hints > 0)
                ? `, ${t('learn.points', { points, of: answer.of })}`
                : ''}
              .
            </Box>
          )}{' '}
          {answer.hints > 0 && `${t('attempt.hintsTaken', { count: answer.hints })}. `}
          {Review && <Review part={part as never} />}
        </Typography>
      )}
      {answer.comment && (
        <Typography sx={{ whiteSpace: 'pre-wrap' }}>
          {t('learn.fromStaff', { text: answer.comment })}
        </Typography>
      )}
      {answer.assessed && <FilledRubric filled={answer.assessed} />}
      {answer.feedback && (
        <Typography variant="body2" color="textSecondary">
          {answer.feedback}
        </Typography>
      )}
    </>
  );
}
