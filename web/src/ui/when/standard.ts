import { format, isValid, parseISO } from 'date-fns';

/** What a field asks for: a day of the calendar, a day with a time, or a time alone. */
export type WhenKind = 'day' | 'moment' | 'time';

const OURS = {
  day: 'EEE d MMM yyyy',
  moment: 'EEE d MMM yyyy, HH:mm',
  time: 'HH:mm',
} as const;
export const STANDARD = { day: 'yyyy-MM-dd', moment: "yyyy-MM-dd'T'HH:mm", time: 'HH:mm' } as const;

const dateOf = (standard: string, kind: WhenKind) =>
  parseISO(kind === 'time' ? `2000-01-01T${standard}` : standard);

/** Whether it is written as ISO 8601 has it, which is how fields hand it on. */
export const isStandard = (text: string, kind: WhenKind) => {
  const at = dateOf(text, kind);
  return isValid(at) && format(at, STANDARD[kind]) === text;
};

/** Written our way: "Sun 29 Nov 2026, 18:30"; what is no date stays as it is. */
export const written = (standard: string, kind: WhenKind) =>
  isStandard(standard, kind) ? format(dateOf(standard, kind), OURS[kind]) : standard;

/** The same on another day of the calendar; at the usual time where there was none. */
export function onDay(standard: string, day: Date, kind: WhenKind, usual: string) {
  const date = format(day, STANDARD.day);
  if (kind === 'day') return date;
  return `${date}T${isStandard(standard, kind) ? standard.slice(11) : usual}`;
}

/** The day of the calendar that stands in a field, if one does. */
export const dayOf = (standard: string, kind: WhenKind) =>
  kind !== 'time' && isStandard(standard, kind) ? dateOf(standard, kind) : undefined;
