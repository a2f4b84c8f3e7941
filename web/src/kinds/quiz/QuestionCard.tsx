import { Box, Button, FormControl, FormLabel } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Answer, AskedQuestion, GivenAnswer } from '../../api/client';
import { AnswerCard } from './AnswerCard';
import { questionRoom } from './questions/rooms';

interface Props {
  question: AskedQuestion;
  n: number;
  given: GivenAnswer | undefined;
  answer: (given: GivenAnswer | undefined) => void;
  /** Settles the answer, where answers are settled one by one. */
  settle?: () => void;
  settled: Answer | undefined;
}

/** A question that is asked, and what is said about its answer once it is settled. */
export function QuestionCard({ question: q, n, given, answer, settle, settled }: Props) {
  const t = useTranslations();
  const { Ask } = questionRoom(q.part.is);
  return (
    <FormControl
      sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', borderRadius: 1, p: 2 }}
    >
      <FormLabel id={`question-${q.id}`} sx={{ color: 'tone.ink', fontWeight: 700 }}>
        {n + 1}. {q.text}
      </FormLabel>
      {settled ? (
        <Box sx={{ mt: 1 }} role="status">
          <AnswerCard answer={settled} />
        </Box>
      ) : (
        <Ask part={q.part} labelledBy={`question-${q.id}`} given={given} answer={answer} />
      )}
      {settle && !settled && (
        <Button
          size="small"
          variant="outlined"
          sx={{ alignSelf: 'start', mt: 1 }}
          disabled={!given}
          onClick={settle}
        >
          {t('attempt.settle')}
        </Button>
      )}
    </FormControl>
  );
}
