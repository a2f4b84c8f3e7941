import { describe, expect, it } from 'vitest';
import { read } from './read';
import { onDay, written } from './standard';

const now = new Date('2026-11-29T12:00:00');
const moment = (text: string, was = '', usual = '23:59') =>
  read(text, { kind: 'moment', now, was, usual });
const day = (text: string) => read(text, { kind: 'day', now, was: '', usual: '' });
const time = (text: string) => read(text, { kind: 'time', now, was: '', usual: '' });

describe('a date that is typed', () => {
  it.each([
    ['25 Nov', '2026-11-25'],
    ['25 november 2027', '2027-11-25'],
    ['25/11', '2026-11-25'],
    ['25.11.', '2026-11-25'],
    ['25 11', '2026-11-25'],
    ['5.5.26', '2026-05-05'],
    ['25. November', '2026-11-25'],
    ['last fri', '2026-11-27'],
    ['25.11.2027', '2027-11-25'],
    ['2026-12-25', '2026-12-25'],
    ['tomorrow', '2026-11-30'],
    ['in 2 weeks', '2026-12-13'],
    ['4 march', '2027-03-04'],
    ['1 sep', '2026-09-01'],
    ['Wed 4 Mar 2026', '2026-03-04'],
  ])('as %s is read as %s', (text, is) => expect(day(text)).toBe(is));

  it('as a weekday alone is the next one', () => {
    expect(day('fri')).toBe('2026-12-04');
    expect(moment('Friday 18:30')).toBe('2026-12-04T18:30');
  });

  it('keeps its time where only another day is typed, and has the usual one otherwise', () => {
    expect(moment('4 Dec', '2026-12-01T18:30')).toBe('2026-12-04T18:30');
    expect(moment('4 Dec')).toBe('2026-12-04T23:59');
    expect(moment('4 Dec', '', '00:00')).toBe('2026-12-04T00:00');
  });

  it('keeps its day where only another time is typed', () => {
    expect(moment('18:30', '2026-12-01T08:00')).toBe('2026-12-01T18:30');
    expect(moment('1830', '2026-12-01T08:00')).toBe('2026-12-01T18:30');
    expect(moment('6pm')).toBe('2026-11-29T18:00');
  });

  it('may have its number changed beside a weekday that no longer fits', () =>
    expect(moment('Tue 3 Dec 2026, 18:30')).toBe('2026-12-03T18:30'));

  it.each([
    'f',
    'someday',
    '31 Feb 2027',
    '2026-13-01',
    'fri and sat',
    '4 Dec 12026',
    '4 Dec 3026',
    '99999-01-01',
    'next year',
  ])('as %s is none', (text) => {
    expect(moment(text)).toBeUndefined();
    expect(day(text)).toBeUndefined();
  });

  it('needs more than a time where a day is asked for, and no more where a time is', () => {
    expect(day('18:30')).toBeUndefined();
    expect(time('18:30')).toBe('18:30');
    expect(time('18.30')).toBe('18:30');
    expect(time('1830')).toBe('18:30');
    expect(time('10.11')).toBe('10:11');
    expect(time('6pm')).toBe('18:00');
    expect(time('fri 18:30')).toBeUndefined();
  });

  it('is nothing where nothing is typed', () => {
    expect(moment('  ')).toBe('');
  });
});

describe('a date in its field', () => {
  it('is written our way', () => {
    expect(written('2026-11-29T18:30', 'moment')).toBe('Sun 29 Nov 2026, 18:30');
    expect(written('2026-11-29', 'day')).toBe('Sun 29 Nov 2026');
    expect(written('someday', 'day')).toBe('someday');
  });

  it('is read as itself, on every day of four years and around changes of the clock', () => {
    for (let days = 0; days < 1461; days++) {
      const at = new Date(2025, 0, 1 + days, days % 24, (days * 7) % 60);
      const is = onDay('', at, 'moment', `${at.toTimeString().slice(0, 5)}`);
      expect(moment(written(is, 'moment'))).toBe(is);
    }
  });

  it('keeps its time on a day chosen from the calendar', () => {
    const chosen = new Date(2026, 11, 4);
    expect(onDay('2026-11-29T18:30', chosen, 'moment', '23:59')).toBe('2026-12-04T18:30');
    expect(onDay('', chosen, 'moment', '23:59')).toBe('2026-12-04T23:59');
    expect(onDay('', chosen, 'day', '23:59')).toBe('2026-12-04');
  });
});
