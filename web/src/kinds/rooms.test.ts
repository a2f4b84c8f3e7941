import { describe, expect, it } from 'vitest';
import { kinds } from './rooms';

const sources = import.meta.glob<string>('./*/**/*.{ts,tsx}', {
  query: '?raw',
  import: 'default',
  eager: true,
});

describe('rooms of the kinds of steps', () => {
  const rooms = new Set(Object.keys(sources).map((file) => file.split('/')[1] ?? ''));
  rooms.delete('shared');

  it('do not know each other', () => {
    expect(rooms.size).toBeGreaterThanOrEqual(kinds.length);
    const known = Object.entries(sources).flatMap(([file, text]) => {
      const own = file.split('/')[1];
      return [...text.matchAll(/from '(?:\.\.\/)+(\w+)\//g)]
        .map((m) => m[1] ?? '')
        .filter((other) => rooms.has(other) && other !== own)
        .map((other) => `${file} knows ${other}`);
    });
    expect(known).toEqual([]);
  });
});
