import { describe, expect, it } from 'vitest';
import { spans, unfolded } from './groups';
import type { OutcomeHead } from './spread';

const head = (id: number, ...group: string[]) => ({ id, group }) as unknown as OutcomeHead;
const all = [head(1, 'Bench'), head(2, 'Wheels', 'Truing'), head(3), head(4, 'Bench')];
const ids = (list: OutcomeHead[]) => list.map((o) => o.id);

describe('columns of the grid', () => {
  it('stand beside each other by their outermost group', () => {
    expect(ids(unfolded(all, new Set()))).toEqual([1, 4, 2, 3]);
    expect(spans(unfolded(all, new Set()))).toEqual([
      { name: 'Bench', columns: 2 },
      { name: 'Wheels', columns: 1 },
      { name: '', columns: 1 },
    ]);
  });

  it('are gone while their group is folded', () => {
    expect(ids(unfolded(all, new Set(['Bench'])))).toEqual([2, 3]);
  });

  it('have no heads where nothing is grouped', () => {
    expect(spans([head(1), head(2)])).toEqual([]);
  });
});
