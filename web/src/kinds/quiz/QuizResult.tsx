import { Alert, Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Result } from '../../api/client';
import { percent } from '../../ui/format';
import { useLine } from '../../ui/useNames';
import { AnswerCard } from './AnswerCard';
import { ShownWords } from './questions/ShownWords';

export function QuizResult({ result }: { result: Result }) {
  const t = useTranslations();
  const line = useLine();
  const good = result.passed || !result.scored || result.waits > 0;
  const nothingToSee = result.answers.every((a) => !a.verdict && !a.part && !a.feedback);
  return (
    <Box
      component="section"
      role="status"
      sx={{
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: 'divider',
        borderLeft: '5px solid',
        borderLeftColor: good ? 'tone.lagoon' : 'tone.madder',
        borderRadius: 1,
        p: 2,
      }}
    >
      <Typography variant="h1" component="p">
        {result.scored
          ? line(
              t('learn.result', { percent: percent(result.of ? result.points / result.of : 0) }),
              result.passed || result.waits === 0
                ? t(result.passed ? 'learn.resultPassed' : 'learn.resultAgain')
                : '',
            )
          : t('attempt.checked', { right: result.right ?? 0, count: result.answers.length })}
      </Typography>
      <Typography color="textSecondary">
        {line(
          t('learn.attempt', { n: result.number }),
          result.scored ? t('learn.points', { points: result.points, of: result.of }) : '',
        )}
      </Typography>
      {result.waits > 0 && (
        <Alert role="status" severity="info" sx={{ my: 1 }}>
          {t('attempt.waits', { count: result.waits })}
        </Alert>
      )}
      {result.timeUp && (
        <Alert role="status" severity="info" sx={{ my: 1 }}>
          {t('attempt.timeWasUp')}
        </Alert>
      )}
      {result.says && <Typography sx={{ my: 1, whiteSpace: 'pre-wrap' }}>{result.says}</Typography>}
      {nothingToSee ? (
        <Typography sx={{ mt: 1 }}>{t('attempt.nothingToSee')}</Typography>
      ) : (
        <Box component="ol" sx={{ pl: 2.5, my: 1 }}>
          {result.answers.map((a) => (
            <Box component="li" key={a.question} sx={{ py: 0.75 }}>
              <Typography component="div" sx={{ fontWeight: 700 }}>
                <ShownWords of={a} />
              </Typography>
              <AnswerCard answer={a} />
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
