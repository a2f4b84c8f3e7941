import { Box, Button } from '@mui/material';
import { useTranslations } from 'use-intl';

interface Props {
  count: number;
  at: number;
  answered: (n: number) => boolean;
  onGo: (n: number) => void;
}

/** The questions of an attempt by their numbers, to go to any of them. */
export function QuestionNumbers({ count, at, answered, onGo }: Props) {
  const t = useTranslations();
  return (
    <Box
      component="nav"
      aria-label={t('attempt.questions')}
      sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap' }}
    >
      {Array.from({ length: count }, (_, n) => (
        <Button
          // biome-ignore lint/suspicious/noArrayIndexKey: a question is known by its number here
          key={n}
          size="small"
          variant={n === at ? 'contained' : 'outlined'}
          color="secondary"
          aria-current={n === at ? 'step' : undefined}
          aria-label={t(answered(n) ? 'attempt.goAnswered' : 'attempt.goOpen', { n: n + 1 })}
          onClick={() => onGo(n)}
          sx={{ minWidth: 40, px: 0, borderBottomWidth: answered(n) ? 4 : 1 }}
        >
          {n + 1}
        </Button>
      ))}
    </Box>
  );
}
