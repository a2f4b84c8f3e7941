import { describe, expect, it } from 'vitest';
import { found, grouped, pathKey, readPath, renamed, swapped, within } from './grouping';

const o = (id: number, ...group: string[]) => ({ id, group });
const all = [o(1, 'Bench'), o(2, 'Wheels'), o(3), o(4, 'Wheels', 'Truing'), o(5, 'Bench')];

describe('outcomes in groups', () => {
  it('stand under the path of their groups, each group where its first outcome stands', () => {
    const root = grouped(all);
    expect(root.outcomes.map((x) => x.id)).toEqual([3]);
    expect(root.branches.map((b) => pathKey(b.path))).toEqual(['Bench', 'Wheels']);
    expect(root.branches[1]?.branches.map((b) => pathKey(b.path))).toEqual(['Wheels / Truing']);
    expect(within(root).map((x) => x.id)).toEqual([3, 1, 5, 2, 4]);
  });

  it('keep groups of the same name apart when they lie elsewhere', () => {
    const root = grouped([o(1, 'Front', 'Brakes'), o(2, 'Rear', 'Brakes')]);
    expect(root.branches.map((b) => b.branches.map((c) => within(c).map((x) => x.id)))).toEqual([
      [[1]],
      [[2]],
    ]);
  });

  it('are read from a path as it is typed', () => {
    expect(readPath(' Wheels /Truing/ ')).toEqual(['Wheels', 'Truing']);
    expect(readPath(' / ')).toEqual([]);
  });

  it('follow their group when it gets another name, and others do not', () => {
    expect(renamed(['Wheels', 'Truing'], ['Wheels'], 'Rims')).toEqual(['Rims', 'Truing']);
    expect(renamed(['Wheels', 'Truing'], ['Wheels', 'Truing'], 'True')).toEqual(['Wheels', 'True']);
    const bench = ['Bench'];
    expect(renamed(bench, ['Wheels'], 'Rims')).toBe(bench);
    expect(renamed(bench, ['Bench'], '  ')).toBe(bench);
    expect(renamed(bench, [], 'Rims')).toBe(bench);
  });

  it('change places with the neighbour in the same group and stay at the ends', () => {
    expect(swapped(all, 1, 1)).toEqual([5, 2, 3, 4, 1]);
    expect(swapped(all, 5, -1)).toEqual([5, 2, 3, 4, 1]);
    expect(swapped(all, 1, -1)).toEqual([1, 2, 3, 4, 5]);
    expect(swapped(all, 3, 1)).toEqual([1, 2, 3, 4, 5]);
    expect(swapped(all, 99, 1)).toEqual([1, 2, 3, 4, 5]);
  });

  it('are found by every word, in code, name, description or group', () => {
    const brake = {
      code: 'BRAKE',
      name: 'Set up brakes',
      description: 'Rim and disc.',
      group: ['Parts'],
    };
    expect(found(brake, 'disc parts')).toBe(true);
    expect(found(brake, 'brak')).toBe(true);
    expect(found(brake, 'disc wheels')).toBe(false);
    expect(found(brake, '  ')).toBe(true);
  });
});
