import { Box, Button, FormControl, FormLabel, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Answer, AskedQuestion, GivenAnswer, Sheet } from '../../api/client';
import { WhatCounts } from '../shared/Assessed';
import { AnswerCard } from './AnswerCard';
import { questionRoom } from './questions/rooms';
import { ShownWords } from './questions/ShownWords';

interface Props {
  question: AskedQuestion;
  /** What counts in an answer, where that is said. */
  rubric: Sheet | undefined;
  n: number;
  given: GivenAnswer | undefined;
  answer: (given: GivenAnswer | undefined) => void;
  /** Settles the answer, where answers are settled one by one. */
  settle?: () => void;
  /** Asks for help with the question. */
  hint: () => void;
  settled: Answer | undefined;
}

/** A question that is asked, and what is said about its answer once it is settled. */
export function QuestionCard({
  question: q,
  rubric,
  n,
  given,
  answer,
  settle,
  hint,
  settled,
}: Props) {
  const t = useTranslations();
  const { Ask } = questionRoom(q.part.is);
  return (
    <FormControl
      sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', borderRadius: 1, p: 2 }}
    >
      <FormLabel id={`question-${q.id}`} sx={{ color: 'tone.ink', fontWeight: 700 }}>
        {n + 1}. <ShownWords of={q} />
      </FormLabel>
      {rubric && !settled && (
        <Box sx={{ mt: 1 }}>
          <WhatCounts sheet={rubric} open={false} />
        </Box>
      )}
      {settled ? (
        <Box sx={{ mt: 1 }} role="status">
          <AnswerCard answer={settled} />
        </Box>
      ) : (
        <Ask part={q.part} labelledBy={`question-${q.id}`} given={given} answer={answer} />
      )}
      {q.hints.map((hint, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: hints come one by one and stay
        <Typography key={i} role="status" sx={{ mt: 1 }}>
          <b>{t('attempt.hintNumber', { n: i + 1 })}:</b> {hint.text}
        </Typography>
      ))}
      {!settled && (settle || q.nextHint !== undefined) && (
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mt: 1 }}>
          {settle && (
            <Button size="small" variant="outlined" disabled={!given} onClick={settle}>
              {t('attempt.settle')}
            </Button>
          )}
          {q.nextHint !== undefined && (
            <>
              <Button size="small" onClick={hint}>
                {t('attempt.hint', { n: q.hints.length })}
              </Button>
              <Typography variant="body2" color="textSecondary">
                {t('attempt.hintCosts', { percent: Math.round(q.nextHint * 100) })}
              </Typography>
            </>
          )}
        </Box>
      )}
    </FormControl>
  );
}
