import type { Design } from '../api/client';
import { following, graphOf, isOn, type NodeKey } from './map/graph';
import { isUsual } from './usual/usual';

/** Which rows of the route are shown: all, those whose rules are not the usual ones, or a way. */
export type Filter = { show: 'all' | 'unusual' } | { show: 'before' | 'after'; of: NodeKey };

/** The rows that are shown, by their keys; undefined for all. A module stands over its steps. */
export function shownRows(design: Design, filter: Filter): ReadonlySet<NodeKey> | undefined {
  if (filter.show === 'all') return undefined;
  const rows = new Set<NodeKey>();
  const graph = graphOf(design, new Set());
  const way = 'of' in filter ? following(design, graph, filter.of, filter.show) : undefined;
  for (const module of design.modules) {
    const key = `module-${module.id}`;
    const steps = module.steps.filter((s) =>
      way
        ? isOn(way, `step-${s.id}`)
        : !isUsual(design, s, 'opensWhen') || !isUsual(design, s, 'doneWhen'),
    );
    for (const s of steps) rows.add(`step-${s.id}`);
    const own = way
      ? isOn(way, key)
      : module.opensWhen !== undefined || module.doneWhen !== undefined;
    if (steps.length > 0 || own) rows.add(key);
  }
  return rows;
}
