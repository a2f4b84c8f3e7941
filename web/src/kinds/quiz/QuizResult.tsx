import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Result } from '../../api/client';
import { percent } from '../../ui/format';
import { useLine } from '../../ui/useNames';
import { questionRoom } from './questions/rooms';

const COLOURS = {
  RIGHT: 'tone.lagoon',
  PARTLY: 'tone.ink',
  WRONG: 'tone.madder',
  FOR_STAFF: 'tone.ink',
};

export function QuizResult({ result }: { result: Result }) {
  const t = useTranslations();
  const line = useLine();
  return (
    <Box
      component="section"
      role="status"
      sx={{
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: 'divider',
        borderLeft: '5px solid',
        borderLeftColor: result.passed ? 'tone.lagoon' : 'tone.madder',
        borderRadius: 1,
        p: 2,
      }}
    >
      <Typography variant="h1" component="p">
        {line(
          t('learn.result', { percent: percent(result.of ? result.points / result.of : 0) }),
          t(result.passed ? 'learn.resultPassed' : 'learn.resultAgain'),
        )}
      </Typography>
      <Typography color="textSecondary">
        {line(
          t('learn.attempt', { n: result.number }),
          t('learn.points', { points: result.points, of: result.of }),
        )}
      </Typography>
      <Box component="ol" sx={{ pl: 2.5, my: 1 }}>
        {result.answers.map((a) => {
          const { Review } = questionRoom(a.part.is);
          return (
            <Box component="li" key={a.question} sx={{ py: 0.75 }}>
              <Typography sx={{ fontWeight: 700 }}>{a.text}</Typography>
              <Typography>
                <Box component="b" sx={{ color: COLOURS[a.verdict] }}>
                  {t(`learn.verdict.${a.verdict}`)}.
                </Box>{' '}
                <Review part={a.part} />
              </Typography>
              {a.feedback && (
                <Typography variant="body2" color="textSecondary">
                  {a.feedback}
                </Typography>
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
