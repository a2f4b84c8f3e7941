import { useLocale } from 'use-intl';
import { readNumber } from '../../../../ui/format';

/** Numbers as they are typed and written in the language that is read. */
export function useNumbers() {
  const locale = useLocale();
  const format = new Intl.NumberFormat(locale, { maximumSignificantDigits: 15 });
  return {
    read: (text: string) => readNumber(text, locale),
    write: (n: number) => format.format(n),
  };
}
