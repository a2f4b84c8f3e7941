import { describe, expect, it } from 'vitest';
import { orderAfterDrag, orderAfterDragOf, orderOf, stepped, toModule } from './order';

const modules = [
  { id: 1, steps: [{ id: 11 }, { id: 12 }, { id: 13 }] },
  { id: 2, steps: [{ id: 21 }] },
  { id: 3, steps: [] },
];

describe('dropping a row on another', () => {
  it('moves a step within its module, down and up', () => {
    expect(orderAfterDrag(modules, 'step-11', 'step-13')[0]?.steps).toEqual([12, 13, 11]);
    expect(orderAfterDrag(modules, 'step-13', 'step-11')[0]?.steps).toEqual([13, 11, 12]);
  });

  it('moves a step to another module, also to an empty one', () => {
    expect(orderAfterDrag(modules, 'step-12', 'step-21').map((m) => m.steps)).toEqual([
      [11, 13],
      [12, 21],
      [],
    ]);
    expect(orderAfterDrag(modules, 'step-12', 'module-3').map((m) => m.steps)).toEqual([
      [11, 13],
      [21],
      [12],
    ]);
  });

  it('moves a module with its steps', () => {
    expect(orderAfterDrag(modules, 'module-1', 'step-21').map((m) => m.id)).toEqual([2, 1, 3]);
  });

  it('never loses or doubles a step', () => {
    for (const active of ['step-11', 'step-21', 'module-2', 'module-3'])
      for (const over of ['step-12', 'step-21', 'module-1', 'module-3']) {
        const order = orderAfterDrag(modules, active, over);
        expect(order.flatMap((m) => m.steps).sort()).toEqual([11, 12, 13, 21]);
        expect(order.map((m) => m.id).sort()).toEqual([1, 2, 3]);
      }
  });
});

describe('several steps', () => {
  it('go with the one that is dragged, in the order in which they stood', () => {
    const order = orderAfterDragOf(modules, 'step-13', 'step-21', new Set([11, 13]));
    expect(order.map((m) => m.steps)).toEqual([[12], [11, 13, 21], []]);
  });

  it('stay where another one is dragged, or a module', () => {
    const picked = new Set([11, 13]);
    expect(orderAfterDragOf(modules, 'step-12', 'module-3', picked).map((m) => m.steps)).toEqual([
      [11, 13],
      [21],
      [12],
    ]);
    expect(orderAfterDragOf(modules, 'module-2', 'module-1', picked).map((m) => m.id)).toEqual([
      2, 1, 3,
    ]);
  });

  it('go to the end of a module, also of their own', () => {
    expect(toModule(modules, [13, 11], 2).map((m) => m.steps)).toEqual([[12], [21, 11, 13], []]);
    expect(toModule(modules, [11], 1)[0]?.steps).toEqual([12, 13, 11]);
  });
});

describe('one place up or down', () => {
  const steps = (key: string, by: 1 | -1) => stepped(modules, key, by).map((m) => m.steps);

  it('a step goes within its module, and over its edges into the next or the one before', () => {
    expect(steps('step-12', -1)[0]).toEqual([12, 11, 13]);
    expect(steps('step-12', 1)[0]).toEqual([11, 13, 12]);
    expect(steps('step-13', 1)).toEqual([[11, 12], [13, 21], []]);
    expect(steps('step-21', -1)).toEqual([[11, 12, 13, 21], [], []]);
    expect(steps('step-21', 1)).toEqual([[11, 12, 13], [], [21]]);
  });

  it('a module goes with its steps', () => {
    expect(stepped(modules, 'module-1', 1).map((m) => m.id)).toEqual([2, 1, 3]);
    expect(stepped(modules, 'module-3', -1).map((m) => m.id)).toEqual([1, 3, 2]);
  });

  it('what is first or last stays, and so does everything for what is gone', () => {
    for (const [key, by] of [
      ['step-11', -1],
      ['module-1', -1],
      ['module-3', 1],
      ['step-99', 1],
      ['module-99', -1],
    ] as const)
      expect(stepped(modules, key, by)).toEqual(orderOf(modules));
  });
});
