import { beforeEach, describe, expect, it, test, vi } from 'vitest';
import { day, dayIn, fromLocalInput, moment, readNumber, toLocalInput } from './format';

beforeEach(() => {
  vi.setSystemTime(new Date('2026-12-30T12:00:00Z'));
});

test('a date of this year is written without it, any other with it', () => {
  expect(day('2026-11-29T12:00:00Z')).toBe('Sun 29 Nov');
  expect(day('2027-01-08T12:00:00Z')).toBe('Fri 8 Jan 2027');
  expect(day('2025-11-29T12:00:00Z')).toBe('Sat 29 Nov 2025');
  expect(day('2026-09-05T12:00:00Z')).toBe('Sat 5 Sep');
  expect(day(undefined)).toBe('');
  expect(moment('2027-01-08T12:00:00')).toBe('Fri 8 Jan 2027, 12:00');
});

test('what year it is depends on where the course is', () => {
  expect(dayIn('2026-12-31T23:30:00Z', 'Europe/Berlin')).toBe('Fri 1 Jan 2027');
  expect(dayIn('2026-12-31T23:30:00Z', 'Europe/Lisbon')).toBe('Thu 31 Dec');
});

test('an input of a moment shows it in the reader’s own time, to the minute', () => {
  expect(toLocalInput(fromLocalInput('2026-03-05T08:07'))).toBe('2026-03-05T08:07');
  expect(toLocalInput(undefined)).toBe('');
});

describe('a number as it is typed', () => {
  it('has the comma or the point of its language', () => {
    expect(readNumber('12.5', 'en')).toBe(12.5);
    expect(readNumber('12,5', 'de')).toBe(12.5);
    expect(readNumber('12,5', 'en')).toBeUndefined();
    expect(readNumber('1,250', 'en')).toBe(1250);
    expect(readNumber('1.250', 'de')).toBe(1250);
    expect(readNumber('1 250,5', 'fr')).toBe(1250.5);
  });

  it('may be negative, begin with its point or have a power, and is nothing else', () => {
    expect(readNumber(' −.5 ', 'en')).toBe(-0.5);
    expect(readNumber('1.2e3', 'en')).toBe(1200);
    for (const none of ['', '-', '1.2.3', '12 Nm', '1e999', 'Infinity', '1,25,0', '0x10'])
      expect(readNumber(none, 'en'), none).toBeUndefined();
  });
});
