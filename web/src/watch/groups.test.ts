import { describe, expect, it } from 'vitest';
import { spans, unfolded } from './groups';

const column = (id: number, group = '') => ({ id, group });
const all = [column(1, 'Bench'), column(2, 'Wheels'), column(3), column(4, 'Bench')];
const ids = (list: { id: number }[]) => list.map((o) => o.id);

describe('columns of the grid', () => {
  it('stand beside each other by their groups', () => {
    expect(ids(unfolded(all, new Set()))).toEqual([1, 4, 2, 3]);
    expect(spans(unfolded(all, new Set()))).toEqual([
      { name: 'Bench', from: 0, columns: 2 },
      { name: 'Wheels', from: 2, columns: 1 },
      { name: '', from: 3, columns: 1 },
    ]);
  });

  it('are gone while their group is folded', () => {
    expect(ids(unfolded(all, new Set(['Bench'])))).toEqual([2, 3]);
  });

  it('have no heads where nothing is grouped', () => {
    expect(spans([column(1), column(2)])).toEqual([]);
  });
});
