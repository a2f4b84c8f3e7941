import { describe, expect, it } from 'vitest';
import { arrangeGrid, type MasteryRow, type OutcomeHead, spread } from './spread';

const row = (name: string, level: number | undefined, groups: number[] = [], flagged = false) =>
  ({
    enrolment: name.charCodeAt(0),
    name,
    groups,
    flagged,
    levels: level === undefined ? {} : { '5': level },
  }) as MasteryRow;
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
const plain = { group: 0, flagged: false, find: '', by: 0, strongest: false };

describe('the spread of a class', () => {
  it('counts every level, those without evidence apart, and who is at mastery', () => {
    const rows = [row('a', 0), row('b', 2), row('c', 3), row('d', undefined)];
    expect(spread(rows, outcome)).toEqual({ at: [1, 0, 1, 1], none: 1, mastery: 0.5 });
  });

  it('of nobody is nothing', () => {
    expect(spread([], outcome)).toEqual({ at: [0, 0, 0, 0], none: 0, mastery: 0 });
  });
});

describe('the rows of the grid', () => {
  const rows = [row('Cleo', 2, [1], true), row('Ann', 3, [2]), row('Ben', undefined, [1])];
  const names = (filter: Partial<typeof plain>) =>
    arrangeGrid(rows, { ...plain, ...filter }).map((r) => r.name);

  it('stand by name', () => expect(names({})).toEqual(['Ann', 'Ben', 'Cleo']));

  it('stand weakest first by an outcome, no evidence before all, or the other way', () => {
    expect(names({ by: 5 })).toEqual(['Ben', 'Cleo', 'Ann']);
    expect(names({ by: 5, strongest: true })).toEqual(['Ann', 'Cleo', 'Ben']);
  });

  it('are those of a group, of the flagged, of a name', () => {
    expect(names({ group: 1 })).toEqual(['Ben', 'Cleo']);
    expect(names({ flagged: true })).toEqual(['Cleo']);
    expect(names({ find: 'an' })).toEqual(['Ann']);
  });
});
