import { Box } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { ReviewProps } from '../room';

export function Review({ part: { around, gaps } }: ReviewProps<'gaps'>) {
  const t = useTranslations();
  const [first, ...behind] = around;
  return (
    <Box component="span" sx={{ whiteSpace: 'pre-line' }}>
      {first}
      {gaps.map((gap, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the gaps of a text never move
        <span key={n}>
          <Box
            component={gap.fits ? 'b' : 'del'}
            sx={{ color: gap.fits ? 'tone.lagoon' : 'tone.madder' }}
          >
            {gap.given || t('learn.noAnswer')}
          </Box>
          {!gap.fits && gap.right !== undefined && ` (${t('learn.rightIs', { text: gap.right })})`}
          {behind[n]}
        </span>
      ))}
    </Box>
  );
}
