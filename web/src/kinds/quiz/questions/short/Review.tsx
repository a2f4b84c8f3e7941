import { useTranslations } from 'use-intl';
import type { ReviewProps } from '../room';

export function Review({ part: { given, right } }: ReviewProps<'short'>) {
  const t = useTranslations();
  return (
    <>
      {t('learn.yours', { text: given ?? t('learn.noAnswer') })}
      {right !== undefined && right !== given && `. ${t('learn.rightIs', { text: right })}`}
    </>
  );
}
