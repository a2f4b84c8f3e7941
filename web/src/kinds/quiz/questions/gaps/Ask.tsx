import { Box, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import { keysInField } from '../../../../ui/useKeys';
import type { AskProps } from '../room';
import { useTyped } from '../useTyped';

export function Ask({ part, labelledBy, given, answer }: AskProps<'gaps'>) {
  const [first, ...behind] = part.around;
  const words = behind.map((_, n) => given?.words[n] ?? '');
  const fill = (at: number, typed: string) => {
    const next = words.map((w, n) => (n === at ? typed : w));
    answer(next.some((w) => w.trim()) ? { is: 'gaps', words: next } : undefined);
  };
  return (
    <Box
      role="group"
      aria-labelledby={labelledBy}
      sx={{ mt: 1, lineHeight: 2.4, whiteSpace: 'pre-line' }}
    >
      {first}
      {behind.map((after, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the gaps of a text never move
        <span key={n}>
          <Gap n={n} words={words[n] ?? ''} fill={(typed) => fill(n, typed)} />
          {after}
        </span>
      ))}
    </Box>
  );
}

function Gap({ n, words, fill }: { n: number; words: string; fill: (words: string) => void }) {
  const t = useTranslations();
  const typed = useTyped(words, fill);
  return (
    <TextField
      fullWidth={false}
      value={typed.text}
      onChange={(e) => typed.setText(e.target.value)}
      onBlur={typed.keepNow}
      onKeyDown={keysInField({ Enter: typed.keepNow })}
      slotProps={{
        htmlInput: {
          'aria-label': t('learn.gap', { n: n + 1 }),
          maxLength: 200,
          autoComplete: 'off',
        },
      }}
      sx={{ width: 150, mx: 0.5, verticalAlign: 'middle' }}
    />
  );
}
