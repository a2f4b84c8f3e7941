import { Box } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import { saysNothing } from '../../../../ui/html';
import type { AskProps } from '../room';
import { useTyped } from '../useTyped';

const TextEditor = lazy(() => import('../../../../ui/editor/TextEditor'));

/** Room for a text of one's own. */
export function Ask({ given, answer }: AskProps<'open'>) {
  const t = useTranslations();
  const [begun] = useState(given?.text ?? '');
  const typed = useTyped(begun, (text) =>
    answer(saysNothing(text) ? undefined : { is: 'open', text }),
  );
  return (
    <Box onBlur={typed.keepNow} sx={{ mt: 1, '& .ProseMirror': { minHeight: '110px !important' } }}>
      <Suspense fallback={<Box sx={{ minHeight: 200 }} />}>
        <TextEditor label={t('learn.yourText')} html={begun} onChange={typed.setText} />
      </Suspense>
    </Box>
  );
}
