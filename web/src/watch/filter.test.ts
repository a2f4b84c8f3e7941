import { describe, expect, it } from 'vitest';
import { arranged, nextOrder } from './filter';

const row = (name: string, value: number, groups: number[] = [], flagged = false) => ({
  name,
  groups,
  flagged,
  value,
});
const rows = [row('Cleo', 2, [1], true), row('Ann', 3, [2]), row('Ben', -1, [1])];
const all = { group: 0, flagged: false, find: '' };
const byName = { by: 0, strongest: false };
const names = (filter = {}, order = byName) =>
  arranged(rows, { ...all, ...filter }, order, (r) => r.value).map((r) => r.name);

describe('the rows of a grid', () => {
  it('stand by name', () => expect(names()).toEqual(['Ann', 'Ben', 'Cleo']));

  it('stand weakest first by a column, nothing before all, or the other way', () => {
    expect(names({}, { by: 5, strongest: false })).toEqual(['Ben', 'Cleo', 'Ann']);
    expect(names({}, { by: 5, strongest: true })).toEqual(['Ann', 'Cleo', 'Ben']);
  });

  it('are those of a group, of the flagged, of a name', () => {
    expect(names({ group: 1 })).toEqual(['Ben', 'Cleo']);
    expect(names({ flagged: true })).toEqual(['Cleo']);
    expect(names({ find: 'an' })).toEqual(['Ann']);
  });

  it('are sorted weakest first, then strongest first, then by name again', () => {
    const first = nextOrder(byName, 5);
    expect(first).toEqual({ by: 5, strongest: false });
    const second = nextOrder(first, 5);
    expect(second).toEqual({ by: 5, strongest: true });
    expect(nextOrder(second, 5)).toEqual(byName);
    expect(nextOrder(second, 6)).toEqual({ by: 6, strongest: false });
  });
});
