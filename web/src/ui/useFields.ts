import { zodResolver } from '@hookform/resolvers/zod';
import { type DefaultValues, type FieldValues, type UseFormReturn, useForm } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import type { core } from 'zod/mini';
import * as z from 'zod/mini';

/** The fields of a form: what is typed, and what becomes of it once it is as it should be. */
export type Fields<T extends FieldValues, Out extends FieldValues = T> = UseFormReturn<
  T,
  unknown,
  Out
>;

type Schema<T, Out> = core.$ZodType<Out, T>;

/** A form whose fields are as a schema says, or say in a sentence what is wrong with them. */
export function useFields<T extends FieldValues, Out extends FieldValues>(
  schema: Schema<T, Out>,
  values: DefaultValues<T>,
): Fields<T, Out> {
  const wrong = useWrong();
  return useForm<T, unknown, Out>({
    resolver: zodResolver(schema, { error: wrong }),
    defaultValues: values,
  });
}

/** What is wrong with a field. */
function useWrong() {
  const t = useTranslations();
  return (issue: core.$ZodRawIssue): string => {
    switch (issue.code) {
      case 'custom': {
        const { time } = issue.params ?? {};
        return t(time ? 'form.noTime' : 'form.noDate');
      }
      case 'too_small':
        if (issue.origin === 'number') return t('form.atLeast', { least: Number(issue.minimum) });
        return t(issue.origin === 'array' ? 'form.choose' : 'form.missing');
      case 'too_big':
        return issue.origin === 'number'
          ? t('form.atMost', { most: Number(issue.maximum) })
          : t('form.tooLong', { most: Number(issue.maximum) });
      case 'invalid_type':
        if (issue.input === null) return t('form.choose');
        if (issue.input === undefined) return t('form.missing');
        return t(issue.expected === 'int' ? 'form.whole' : 'form.wrong');
      default:
        return t('form.wrong');
    }
  };
}

/** A text that must not be empty. */
export const filled = () => z.string().check(z.trim(), z.minLength(1));

/** A number as it stands in a field. */
const typed = z.pipe(
  z.union([z.string(), z.number()]),
  z.transform((it) => (it === '' ? undefined : Number(it))),
);

/** A number. */
export const number = () => z.pipe(typed, z.number());

/** A whole number from one bound to another. */
export const whole = (least: number, most: number) =>
  z.pipe(typed, z.int().check(z.gte(least), z.lte(most)));

/** One of several things, by its number; none is chosen at first. */
export const chosen = () => z.pipe(z.nullable(z.number()), z.number());
