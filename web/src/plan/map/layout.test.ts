import Elk from 'elkjs/lib/elk.bundled.js';
import { describe, expect, it } from 'vitest';
import type { MapGraph } from './graph';
import { placed, toLayOut } from './layout';

/** Modules in a row, in each of which steps wait for each other. */
function course(modules: number, steps: number): MapGraph {
  const nodes = Array.from({ length: modules }, (_, m) => ({
    key: `module-${m}`,
    kind: 'module' as const,
    name: `Module ${m}`,
    published: true,
    folded: false,
    steps: Array.from({ length: steps }, (_, s) => ({
      key: `step-${m * 100 + s}`,
      id: m * 100 + s,
      name: `Step ${s}`,
      published: true,
    })),
  }));
  const edges = nodes.flatMap((node, m) => [
    ...node.steps.slice(1).map((s, n) => ({
      from: node.steps[n]?.key ?? '',
      to: s.key,
      says: ['scored 60 % or more'],
    })),
    ...(m > 0 ? [{ from: `module-${m - 1}`, to: node.key, says: ['is done'] }] : []),
  ]);
  return { nodes, edges };
}

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}
const overlap = (a: Box, b: Box) =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

describe('the layout of a map', () => {
  it('puts nothing on anything else, and leads every way to its end', async () => {
    const graph = course(6, 5);
    const map = placed(graph, await new Elk().layout(toLayOut(graph)));
    const boxes = graph.nodes.map((n) => map.at.get(n.key) as Box);
    for (const [n, a] of boxes.entries())
      for (const b of boxes.slice(n + 1)) expect(overlap(a, b)).toBe(false);
    for (const edge of map.edges) {
      expect(edge.points.length).toBeGreaterThan(1);
      const label = edge.label && { ...edge.label, height: 16 };
      if (label) for (const box of boxes) expect(overlap(label, box)).toBe(false);
    }
  });

  it('lays the steps of a module below each other, inside it', async () => {
    const graph = course(1, 4);
    const map = placed(graph, await new Elk().layout(toLayOut(graph)));
    const module = map.at.get('module-0') as Box;
    const rows = graph.nodes[0]?.steps.map((s) => map.at.get(s.key) as Box) ?? [];
    expect(rows.map((r) => r.y)).toEqual(rows.map((r) => r.y).sort((a, b) => a - b));
    for (const row of rows) {
      expect(row.x).toBeGreaterThan(module.x);
      expect(row.y + row.height).toBeLessThanOrEqual(module.y + module.height);
    }
  });
});
