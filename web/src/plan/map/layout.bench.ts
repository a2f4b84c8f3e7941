import Elk from 'elkjs/lib/elk.bundled.js';
import { bench } from 'vitest';
import type { MapGraph } from './graph';
import { placed, toLayOut } from './layout';

const MODULES = 30;
const STEPS = 10;

/** 300 steps that wait for each other in their module, and every fifth for one of another. */
function large(): MapGraph {
  const nodes = Array.from({ length: MODULES }, (_, m) => ({
    key: `module-${m}`,
    kind: 'module' as const,
    name: `Module ${m}`,
    published: true,
    folded: false,
    steps: Array.from({ length: STEPS }, (_, s) => ({
      key: `step-${m * STEPS + s}`,
      id: m * STEPS + s,
      name: `Step ${s}`,
      published: true,
    })),
  }));
  const edges = nodes.flatMap((node, m) =>
    node.steps.flatMap((step, s) => [
      ...(s > 0 ? [{ from: `step-${step.id - 1}`, to: step.key, says: ['is done'] }] : []),
      ...(s % 5 === 0 && m > 0
        ? [{ from: `step-${step.id - STEPS}`, to: step.key, says: ['scored 60 % or more'] }]
        : []),
    ]),
  );
  return { nodes, edges };
}

bench('a map of 300 steps is laid out', async () => {
  const graph = large();
  placed(graph, await new Elk().layout(toLayOut(graph)));
});
