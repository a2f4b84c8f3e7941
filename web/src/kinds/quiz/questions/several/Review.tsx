import { Box } from '@mui/material';
import { useTranslations } from 'use-intl';
import { useNames } from '../../../../ui/useNames';
import type { ReviewProps } from '../room';

export function Review({ part: { choices } }: ReviewProps<'several'>) {
  const t = useTranslations();
  const names = useNames();
  const chosen = choices.filter((c) => c.chosen).map((c) => c.text);
  const right = choices.filter((c) => c.right).map((c) => c.text);
  const same = choices.every((c) => c.right === undefined || c.right === c.chosen);
  return (
    <>
      {t('learn.yours', { text: chosen.length > 0 ? names(chosen) : t('learn.noAnswer') })}
      {!same && `. ${t('learn.rightAre', { text: names(right) })}`}
      {choices.map(
        (c) =>
          c.feedback && (
            <Box key={c.text}>
              {c.text}: {c.feedback}
            </Box>
          ),
      )}
    </>
  );
}
