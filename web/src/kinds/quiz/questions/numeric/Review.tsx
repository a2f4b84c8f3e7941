import { useTranslations } from 'use-intl';
import type { ReviewProps } from '../room';
import { writtenNumber } from './number';

export function Review({ part: { given, right, most, unit } }: ReviewProps<'numeric'>) {
  const t = useTranslations();
  const said = (n: number) => `${writtenNumber(n)} ${unit}`.trim();
  return (
    <>
      {t('learn.yours', { text: given === undefined ? t('learn.noAnswer') : said(given) })}
      {right !== undefined &&
        `. ${t('learn.rightIs', { text: most ? `${writtenNumber(right)} ± ${said(most)}` : said(right) })}`}
    </>
  );
}
