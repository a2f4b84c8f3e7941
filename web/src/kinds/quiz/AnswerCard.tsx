import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Answer } from '../../api/client';
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
      {(verdict || part) && (
        <Typography component="div">
          {verdict && (
            <Box component="b" sx={{ color: COLOURS[verdict] }}>
              {t(`learn.verdict.${verdict}`)}
              {verdict === 'PARTLY' && points !== undefined
                ? `, ${t('learn.points', { points, of: answer.of })}`
                : ''}
              .
            </Box>
          )}{' '}
          {Review && <Review part={part as never} />}
        </Typography>
      )}
      {answer.comment && (
        <Typography sx={{ whiteSpace: 'pre-wrap' }}>
          {t('learn.fromStaff', { text: answer.comment })}
        </Typography>
      )}
      {answer.feedback && (
        <Typography variant="body2" color="textSecondary">
          {answer.feedback}
        </Typography>
      )}
    </>
  );
}
