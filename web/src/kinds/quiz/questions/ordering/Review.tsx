import { useTranslations } from 'use-intl';
import type { ReviewProps } from '../room';

const ARROW = ' → ';

export function Review({ part: { put, right } }: ReviewProps<'ordering'>) {
  const t = useTranslations();
  const same = right.length === 0 || right.join() === put.join();
  return (
    <>
      {t('learn.yours', { text: put.length > 0 ? put.join(ARROW) : t('learn.noAnswer') })}
      {!same && `. ${t('learn.rightIs', { text: right.join(ARROW) })}`}
    </>
  );
}
