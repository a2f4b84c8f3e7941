import { useTranslations } from 'use-intl';
import { Prose } from '../../../../ui/Prose';
import type { ReviewProps } from '../room';

export function Review({ part: { given, expected } }: ReviewProps<'open'>) {
  const t = useTranslations();
  return (
    <>
      {given ? <Prose plain html={given} /> : t('learn.yours', { text: t('learn.noAnswer') })}
      {expected && t('learn.goodAnswer', { text: expected })}
    </>
  );
}
