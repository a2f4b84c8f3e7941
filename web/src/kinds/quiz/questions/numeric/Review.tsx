import { useTranslations } from 'use-intl';
import type { ReviewProps } from '../room';
import { useNumbers } from './useNumbers';

export function Review({ part: { given, right, most, unit } }: ReviewProps<'numeric'>) {
  const t = useTranslations();
  const numbers = useNumbers();
  const said = (n: number) => `${numbers.write(n)} ${unit}`.trim();
  return (
    <>
      {t('learn.yours', { text: given === undefined ? t('learn.noAnswer') : said(given) })}
      {right !== undefined &&
        (most || right !== given) &&
        `. ${t('learn.rightIs', { text: most ? `${numbers.write(right)} ± ${said(most)}` : said(right) })}`}
    </>
  );
}
