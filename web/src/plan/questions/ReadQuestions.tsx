import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { ReadQuestion, WrittenPart } from '../../api/client';
import { useLine } from '../../ui/useNames';

/** Answers in a few words, the right ones first. */
function answers(part: WrittenPart): string[] {
  switch (part.is) {
    case 'choice':
      return part.choices.map((c) => `${c.id === part.right ? '✓' : '–'} ${c.text}`);
    case 'several':
      return part.choices.map((c) => `${c.share > 0 ? '✓' : '–'} ${c.text}`);
    case 'matching':
      return [...part.pairs.map((p) => `${p.begins} → ${p.ends}`), ...part.more];
    case 'ordering':
      return part.things.map((thing, n) => `${n + 1}. ${thing.text}`);
    case 'short':
      return part.forms.map((f) => f.words);
    case 'gaps':
      return [part.source];
    case 'numeric':
      return [`${part.number ?? ''} ± ${part.tolerance}${part.percent ? ' %' : ''} ${part.unit}`];
    case 'place':
      return part.areas.map((a) => a.called);
    case 'true-false':
      return [part.isTrue ? '✓' : '–'];
    case 'open':
      return part.expected ? [part.expected] : [];
  }
}

/** Questions as they were understood. */
export function ReadQuestions({ questions }: { questions: ReadQuestion[] }) {
  const t = useTranslations();
  const line = useLine();
  return (
    <Box component="ol" sx={{ pl: 3, m: 0 }}>
      {questions.map(({ line: at, question, tags, difficulty }) => (
        <Box component="li" key={at} sx={{ mb: 1.25 }}>
          <Typography sx={{ fontWeight: 700 }}>{question.text}</Typography>
          {answers(question.part).map((said) => (
            <Typography key={said} variant="body2">
              {said}
            </Typography>
          ))}
          <Typography variant="caption" color="textSecondary">
            {line(
              t(`question.${question.part.is}`),
              t('bank.points', { points: question.points }),
              tags.join(', '),
              difficulty && t(`bank.difficulty.${difficulty}`),
            )}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
