import { Box } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { ReviewProps } from '../room';
import { ShownWords } from '../ShownWords';

export function Review({ part: { chosen, right } }: ReviewProps<'choice'>) {
  const t = useTranslations();
  const other = right !== undefined && right.text !== chosen?.text;
  return (
    <>
      {t('learn.yours', { text: chosen?.text ?? t('learn.noAnswer') })}
      {other && `. ${t('learn.rightIs', { text: right.text })}`}
      {chosen?.formatted && <ShownWords of={chosen} />}
      {other && right.formatted && <ShownWords of={right} />}
      {chosen?.feedback && <Box>{chosen.feedback}</Box>}
    </>
  );
}
