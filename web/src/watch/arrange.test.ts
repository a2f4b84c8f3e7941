import { describe, expect, it } from 'vitest';
import type { LearnerRow } from '../api/client';
import { arrange } from './arrange';

const learner = (name: string, more: Partial<LearnerRow> = {}): LearnerRow => ({
  enrolment: name.length,
  person: 1,
  name,
  share: 0,
  thread: '',
  overdue: 0,
  flags: [],
  groups: [],
  ...more,
});
const flag = { flag: 1, name: 'Quiet', since: '2026-11-20T00:00:00Z' };
const all = [
  learner('Wren Castellane', { flags: [flag], lastHere: '2026-11-14T00:00:00Z', share: 0.3 }),
  learner('Aiko Brenner', { lastHere: '2026-11-22T00:00:00Z', share: 0.6, groups: [2] }),
  learner('Ruben Sato', { flags: [flag, flag] }),
];
const plain = { sort: 'name', group: 0, flagged: false, find: '' } as const;

describe('arranging learners', () => {
  it('puts those with most flags first, then those longest away', () => {
    expect(arrange(all, { ...plain, sort: 'flagged' }).map((l) => l.name)).toEqual([
      'Ruben Sato',
      'Wren Castellane',
      'Aiko Brenner',
    ]);
  });

  it('counts never here as longest away', () => {
    expect(arrange(all, { ...plain, sort: 'last' })[0]?.name).toBe('Ruben Sato');
  });

  it('finds by any part of a name, in any order', () => {
    expect(arrange(all, { ...plain, find: 'cast wr' }).map((l) => l.name)).toEqual([
      'Wren Castellane',
    ]);
  });

  it('keeps to a group and to the flagged', () => {
    expect(arrange(all, { ...plain, group: 2 })).toHaveLength(1);
    expect(arrange(all, { ...plain, flagged: true })).toHaveLength(2);
  });
});
