import { Box } from '@mui/material';
import { type ReactNode, useState } from 'react';
import { useTranslations } from 'use-intl';
import { isNew } from '../../../ui/ids';
import { useChoiceFeedback } from './ChoiceFeedback';
import { WordsField } from './WordsField';

interface Choice {
  id: string;
  text: string;
  formatted?: string;
  feedback?: string;
}

interface Props<C extends Choice> {
  choice: C;
  n: number;
  edit: (choice: C) => void;
  /** What stands before the words, whether it is right for example. */
  before: ReactNode;
  after?: ReactNode;
}

/** A choice as it is written: its words, and what is said to who chooses it. */
export function ChoiceLine<C extends Choice>({ choice, n, edit, before, after }: Props<C>) {
  const t = useTranslations();
  const [left, setLeft] = useState(false);
  const { feedback: _, ...silent } = choice;
  const said = useChoiceFeedback({
    n,
    feedback: choice.feedback,
    onChange: (feedback) => edit((feedback ? { ...choice, feedback } : silent) as C),
  });
  const { formatted: __, ...plain } = choice;
  return (
    <Box sx={{ flex: 1, minWidth: 0, display: 'grid', gap: 0.75 }}>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        {before}
        <WordsField
          bare
          label={t('plan.choice', { n: n + 1 })}
          words={choice}
          missing={!choice.text.trim() && (left || !isNew(choice.id))}
          onLeave={() => setLeft(true)}
          onChange={(words) => edit({ ...plain, ...words } as C)}
          more={said.button}
        />
        {after}
      </Box>
      {said.field}
    </Box>
  );
}
