import { useTranslation } from 'react-i18next';
import type { ReviewProps } from '../room';

export function Review({ part: { chosen, right } }: ReviewProps<'choice'>) {
  const { t } = useTranslation();
  return (
    <>
      {t('learn.yours', { text: chosen ?? t('learn.noAnswer') })}
      {right !== undefined && right !== chosen && `. ${t('learn.rightIs', { text: right })}`}
    </>
  );
}
