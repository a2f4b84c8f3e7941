import { GB } from 'chrono-node/en';
import { format, isValid, parseISO } from 'date-fns';
import { isStandard, onDay, STANDARD, type WhenKind } from './standard';

const FIRST_YEAR = 1900;
const LAST_YEAR = 2999;

// What the reader of dates takes for something else: "25.11.", "25 11", "1830".
const plainer = (text: string, kind: WhenKind) =>
  text
    .trim()
    .replace(/\s+/g, ' ')
    .replace(/^(\d{1,2})\. ?(?=[a-z])/i, '$1 ')
    .replace(/^(\d{1,2})\.(\d{1,2})\.(\d{2})(?=$|[ ,])/, '$1/$2/$3')
    .replace(
      /^(\d{1,2})[. ](\d{1,2})\.?(?=$|[ ,])/,
      (_, first: string, second: string) => `${first}${kind === 'time' ? ':' : '/'}${second}`,
    )
    .replace(/(^|[ ,])([01]\d|2[0-3])([0-5]\d)$/, (all, before: string, h: string, m: string) =>
      /^20\d\d$/.test(h + m) && before !== '' ? all : `${before}${h}:${m}`,
    );

interface Standing {
  kind: WhenKind;
  now: Date;
  /** What stood there before, in the standard form, or nothing. */
  was: string;
  /** The time of a day for which none is typed. */
  usual: string;
}

/**
 * What somebody typed, in the standard form; nothing where it is no date. "fri 18:30", "25 Nov",
 * "25/11", "in 2 weeks", "tomorrow"; a weekday is the next one, a day without a year the nearest one,
 * a time alone leaves the day, and a day alone the time.
 */
export function read(text: string, { kind, now, was, usual }: Standing): string | undefined {
  const typed = plainer(text, kind);
  if (typed === '') return '';
  if (isStandard(typed, kind)) return typed;
  if (/^\d{4}-\d/.test(typed) && !isValid(parseISO(typed.slice(0, 10)))) return undefined;
  const found = said(typed, now);
  if (!found) return undefined;
  const { at, day, time } = found;
  if (at.getFullYear() < FIRST_YEAR || at.getFullYear() > LAST_YEAR) return undefined;
  if (kind === 'time') return time && !day ? format(at, STANDARD.time) : undefined;
  const before = isStandard(was, kind) ? was : undefined;
  if (!day) {
    if (kind === 'day' || !time) return undefined;
    const on = before?.slice(0, 10) ?? format(at, STANDARD.day);
    return `${on}T${format(at, STANDARD.time)}`;
  }
  if (kind === 'day' || time) return format(at, STANDARD[kind]);
  return onDay(was, at, kind, usual);
}

const WEEKDAY = /^(mon|tue|wed|thu|fri|sat|sun)/i;

/** The one date that the whole text says. */
function said(typed: string, now: Date) {
  const whole = (forwardDate: boolean) => {
    const [one, ...more] = GB.parse(typed, now, { forwardDate });
    return one && more.length === 0 && one.index === 0 && one.text.length === typed.length
      ? one.start
      : undefined;
  };
  const near = whole(false);
  if (!near) return undefined;
  const day = near.isCertain('day') || near.isCertain('month') || near.isCertain('weekday');
  const next = WEEKDAY.test(typed) && !near.isCertain('month') ? (whole(true) ?? near) : near;
  return { at: next.date(), day, time: near.isCertain('hour') };
}
