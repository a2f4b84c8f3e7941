import { useTranslations } from 'use-intl';
import type { ReviewProps } from '../room';

export function Review({ part: { chosen, right } }: ReviewProps<'choice'>) {
  const t = useTranslations();
  return (
    <>
      {t('learn.yours', { text: chosen ?? t('learn.noAnswer') })}
      {right !== undefined && right !== chosen && `. ${t('learn.rightIs', { text: right })}`}
    </>
  );
}
