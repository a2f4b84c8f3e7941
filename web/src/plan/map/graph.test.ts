import { describe, expect, it } from 'vitest';
import type { Design, RuleNode } from '../../api/client';
import { foldedAtFirst, following, graphOf, isOn, leads } from './graph';

const asks = (leaf: Record<string, unknown>, says = 'is done') =>
  ({ id: 'a', is: 'ask', n: 0, parts: [], leaf, subject: '', says }) as RuleNode;
const joint = (is: string, ...parts: RuleNode[]) =>
  ({ id: 'j', is, n: 0, parts, leaf: {}, subject: '', says: '' }) as RuleNode;
const when = (root: RuleNode) => ({ line: '', text: '', root });
const step = (id: number, root?: RuleNode) => ({
  id,
  name: `Step ${id}`,
  published: true,
  required: true,
  ...(root && { opensWhen: when(root) }),
});

/** Two modules: the second opens with the first; a badge and the end of the course rest on them. */
function school(more: object = {}): Design {
  return {
    course: 2,
    name: 'Foundations',
    modules: [
      {
        id: 1,
        name: 'Brakes',
        published: true,
        strictOrder: false,
        steps: [
          step(11),
          step(12, asks({ is: 'passed', step: 11 }, 'passed')),
          step(
            13,
            joint(
              'all',
              asks({ is: 'passed', step: 11 }, 'passed'),
              joint('none', asks({ is: 'at-mastery', outcome: 5 }, 'at mastery')),
            ),
          ),
        ],
      },
      {
        id: 2,
        name: 'Wheels',
        published: true,
        strictOrder: true,
        opensWhen: when(asks({ is: 'module-done', module: 1 })),
        steps: [step(21), step(22)],
      },
    ],
    outcomes: [
      { id: 5, code: 'SAFE', name: 'Work safely' },
      { id: 6, code: 'GEAR', name: 'Index gears' },
    ],
    badges: [{ id: 7, name: 'Brake Hand', earnedWhen: when(asks({ is: 'step-done', step: 12 })) }],
    rules: {
      strictOrder: false,
      completeWhen: when(asks({ is: 'holds-badge', badge: 7 }, 'held')),
    },
    ...more,
  } as unknown as Design;
}
const ways = (design: Design, folded: number[] = []) =>
  graphOf(design, new Set(folded)).edges.map((e) => `${e.from} > ${e.to}: ${e.says.join(', ')}`);

describe('the graph of a course', () => {
  it('leads from what is asked about to what asks, with the condition', () => {
    expect(ways(school())).toEqual([
      'step-11 > step-12: passed',
      'step-11 > step-13: passed',
      'outcome-5 > step-13: ≠ at mastery',
      'module-1 > module-2: is done',
      'step-21 > step-22: ',
      'step-12 > badge-7: is done',
      'badge-7 > course: held',
    ]);
  });

  it('has the outcomes and badges that something asks about, and no others', () => {
    const { nodes } = graphOf(school(), new Set());
    expect(nodes.map((n) => n.key)).toEqual([
      'module-1',
      'module-2',
      'outcome-5',
      'badge-7',
      'course',
    ]);
  });

  it('gives a folded module what its steps have, once, and nothing that stays inside', () => {
    expect(ways(school(), [1, 2])).toEqual([
      'outcome-5 > module-1: ≠ at mastery',
      'module-1 > module-2: is done',
      'module-1 > badge-7: is done',
      'badge-7 > course: held',
    ]);
  });

  it('passes over what is gone', () => {
    const gone = school({
      rules: { strictOrder: false, completeWhen: when(asks({ is: 'step-done', step: 99 })) },
    });
    expect(ways(gone).some((w) => w.includes('99'))).toBe(false);
  });

  it('is followed through the doors of modules, forwards and backwards', () => {
    const design = school();
    const graph = graphOf(design, new Set());
    const on = (key: string, way: 'both' | 'before' | 'after') =>
      graph.nodes
        .flatMap((n) => [n.key, ...n.steps.map((s) => s.key)])
        .filter((k) => isOn(following(design, graph, key, way), k))
        .sort();
    expect(on('step-12', 'before')).toEqual(['module-1', 'step-11', 'step-12']);
    expect(on('step-12', 'after')).toEqual([
      'badge-7',
      'course',
      'module-1',
      'module-2',
      'step-12',
      'step-21',
      'step-22',
    ]);
    expect(on('step-22', 'before')).toContain('step-11');
    expect(on('outcome-5', 'after')).not.toContain('step-12');
    expect(on('course', 'after')).toEqual(['course']);
  });

  it('lights only ways that lead through what is followed', () => {
    const design = school();
    const graph = graphOf(design, new Set());
    const followed = following(design, graph, 'step-12', 'both');
    const edge = (from: string, to: string) => ({ from, to, says: [] });
    expect(leads(followed, edge('step-11', 'step-12'))).toBe(true);
    expect(leads(followed, edge('step-12', 'badge-7'))).toBe(true);
    expect(leads(followed, edge('step-11', 'badge-7'))).toBe(false);
  });

  it('ends in a circle', () => {
    const round = school();
    const first = round.modules[0]?.steps[0];
    if (first) first.opensWhen = when(asks({ is: 'step-done', step: 12 }));
    const graph = graphOf(round, new Set());
    expect(isOn(following(round, graph, 'step-11', 'both'), 'step-12')).toBe(true);
  });

  it('begins folded where it is large, but for what is selected', () => {
    const large = school({
      modules: Array.from({ length: 30 }, (_, m) => ({
        id: m + 1,
        name: `Module ${m}`,
        published: true,
        steps: Array.from({ length: 10 }, (_, s) => step(100 * m + s + 1000)),
      })),
    });
    expect(foldedAtFirst(school(), null).size).toBe(0);
    expect(foldedAtFirst(large, null).size).toBe(30);
    expect(foldedAtFirst(large, 'step-1203').has(3)).toBe(false);
  });
});
