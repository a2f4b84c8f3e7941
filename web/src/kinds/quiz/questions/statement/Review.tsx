import { useTranslations } from 'use-intl';
import type { ReviewProps } from '../room';

export function Review({ part: { given, right } }: ReviewProps<'true-false'>) {
  const t = useTranslations();
  return (
    <>
      {t('learn.yours', {
        text: given === undefined ? t('learn.noAnswer') : t(`learn.said.${given}`),
      })}
      {right !== undefined &&
        right !== given &&
        `. ${t('learn.rightIs', { text: t(`learn.said.${right}`) })}`}
    </>
  );
}
