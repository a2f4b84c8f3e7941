import { describe, expect, it } from 'vitest';
import { type MasteryRow, type OutcomeHead, spread } from './spread';

const row = (name: string, level: number | undefined): MasteryRow => ({
  enrolment: 1,
  person: 1,
  name,
  flagged: false,
  groups: [],
  levels: level === undefined ? {} : { '5': level },
});
const outcome: OutcomeHead = {
  id: 5,
  code: 'BRAKE',
  name: 'Set up brakes',
  levels: ['Watching', 'With help', 'On my own', 'Can teach it'],
  mastery: 2,
  composed: false,
  group: [],
  retired: false,
};

describe('the spread of a class', () => {
  it('counts every level, those without evidence apart, and who is at mastery', () => {
    const rows = [row('a', 0), row('b', 2), row('c', 3), row('d', undefined)];
    expect(spread(rows, outcome)).toEqual({ at: [1, 0, 1, 1], none: 1, mastery: 0.5 });
  });

  it('of nobody is nothing', () => {
    expect(spread([], outcome)).toEqual({ at: [0, 0, 0, 0], none: 0, mastery: 0 });
  });
});
