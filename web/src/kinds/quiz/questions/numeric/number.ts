import { readNumber } from '../../../../ui/format';

/** A number that is typed, as it is written in English. */
export const typedNumber = (text: string) => readNumber(text, 'en');

export const writtenNumber = (n: number) =>
  new Intl.NumberFormat('en', { maximumSignificantDigits: 15 }).format(n);
