import { Box, TextField } from '@mui/material';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { Question } from '../../api/client';
import { HintFields } from './HintFields';
import { questionRoom } from './questions/rooms';
import { WordsField } from './questions/WordsField';

interface Props {
  question: Question;
  /** What the question is called here. */
  name: string;
  /** Whether it was added just now, so that nothing is wrong with it yet. */
  isFresh: boolean;
  edit: (change: Question) => void;
  /** What stands below what is asked. */
  children?: ReactNode;
}

/** What a question asks, what is said about its answers, and what it is worth. */
export function QuestionFields({ question: q, name, isFresh, edit, children }: Props) {
  const t = useTranslations();
  const { Write } = questionRoom(q.part.is);
  const { formatted: _, ...plain } = q;
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <WordsField
          label={name}
          words={q}
          autoFocus={isFresh}
          missing={!q.text.trim() && !isFresh}
          onChange={(words) => edit({ ...plain, ...words })}
        />
      </Box>
      {/* Answers come right after what is asked, for whoever goes on with Tab. */}
      <Write part={q.part} edit={(part) => edit({ ...q, part })} />
      <Box sx={{ display: 'flex', gap: 1 }}>
        <TextField
          label={t('plan.feedback')}
          multiline
          value={q.feedback}
          onChange={(e) => edit({ ...q, feedback: e.target.value })}
        />
        <TextField
          label={t('plan.points')}
          type="number"
          value={q.points}
          onChange={(e) => edit({ ...q, points: Math.max(0, Number(e.target.value)) })}
          sx={{ width: 84, flex: 'none' }}
        />
      </Box>
      <HintFields hints={q.hints ?? []} onChange={(hints) => edit({ ...q, hints })} />
      {children}
    </>
  );
}
