import { Box } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { ReviewProps } from '../room';

export function Review({ part: { pairs } }: ReviewProps<'matching'>) {
  const t = useTranslations();
  return (
    <Box component="ul" sx={{ my: 0.5, pl: 2.5 }}>
      {pairs.map((p) => (
        <li key={p.begins}>
          {t('learn.pair', { begins: p.begins, ends: p.chosen ?? t('learn.noAnswer') })}
          {p.ends !== undefined &&
            p.ends !== p.chosen &&
            `. ${t('learn.rightIs', { text: p.ends })}`}
        </li>
      ))}
    </Box>
  );
}
