import type { Design, RuleNode } from '../../api/client';

/** What can be selected: `step-7`, `module-2`, `outcome-3`, `badge-1`, `course`. */
export type NodeKey = string;

export interface MapStep {
  key: NodeKey;
  id: number;
  name: string;
  published: boolean;
}

export interface MapNode {
  key: NodeKey;
  kind: 'module' | 'outcome' | 'badge' | 'course';
  name: string;
  published: boolean;
  /** The steps that are drawn in it; none where it is folded. */
  steps: MapStep[];
  folded: boolean;
}

export interface MapEdge {
  from: NodeKey;
  to: NodeKey;
  /** The conditions, each in words; none where a strict order is all. */
  says: string[];
}

export interface MapGraph {
  nodes: MapNode[];
  edges: MapEdge[];
}

const stepKey = (id: number) => `step-${id}`;
const moduleKey = (id: number) => `module-${id}`;

interface Asked {
  by: NodeKey;
  says: string;
}

/** What a rule asks about, each with what it asks. */
function asked(rule: RuleNode | undefined, never = ''): Asked[] {
  if (!rule) return [];
  if (rule.is !== 'ask')
    return rule.parts.flatMap((p) => asked(p, rule.is === 'none' ? '≠ ' : never));
  const { leaf } = rule;
  const says = never + rule.says;
  if (typeof leaf.step === 'number') return [{ by: stepKey(leaf.step), says }];
  if (typeof leaf.module === 'number') return [{ by: moduleKey(leaf.module), says }];
  if (typeof leaf.outcome === 'number') return [{ by: `outcome-${leaf.outcome}`, says }];
  if (typeof leaf.badge === 'number') return [{ by: `badge-${leaf.badge}`, says }];
  return [];
}

/** All that waits for something else, before anything is folded. */
function edgesOf(design: Design): MapEdge[] {
  const edges: MapEdge[] = [];
  const add = (to: NodeKey, rule: RuleNode | undefined) => {
    for (const { by, says } of asked(rule)) {
      if (by === to) continue;
      const there = edges.find((e) => e.from === by && e.to === to);
      if (!there) edges.push({ from: by, to, says: [says] });
      else if (!there.says.includes(says)) there.says.push(says);
    }
  };
  const { strictOrder } = design.rules;
  let before: number | undefined;
  for (const module of design.modules) {
    add(moduleKey(module.id), module.opensWhen?.root);
    if (!strictOrder) before = undefined;
    for (const step of module.steps) {
      add(stepKey(step.id), step.opensWhen?.root);
      const waits = edges.some((e) => e.to === stepKey(step.id) && e.from === stepKey(before ?? 0));
      if ((strictOrder || module.strictOrder) && before !== undefined && !waits)
        edges.push({ from: stepKey(before), to: stepKey(step.id), says: [] });
      if (step.required && step.published && module.published) before = step.id;
    }
  }
  for (const badge of design.badges) add(`badge-${badge.id}`, badge.earnedWhen?.root);
  add('course', design.rules.completeWhen?.root);
  return edges;
}

/**
 * What opens what, as a graph. What a folded module has in it is the module's; a module that asks
 * about its own steps, or they about it, has no edge to itself.
 */
export function graphOf(design: Design, folded: ReadonlySet<number>): MapGraph {
  const edges = edgesOf(design);
  const used = new Set(edges.flatMap((e) => [e.from, e.to]));
  const stands = new Map<NodeKey, NodeKey>();
  const nodes: MapNode[] = design.modules.map((m, n) => {
    const isFolded = folded.has(m.id);
    for (const s of m.steps) stands.set(stepKey(s.id), isFolded ? moduleKey(m.id) : stepKey(s.id));
    stands.set(moduleKey(m.id), moduleKey(m.id));
    return {
      key: moduleKey(m.id),
      kind: 'module',
      name: `${n + 1} ${m.name}`,
      published: m.published,
      folded: isFolded,
      steps: isFolded
        ? []
        : m.steps.map(({ id, name, published }) => ({ key: stepKey(id), id, name, published })),
    };
  });
  const other = (key: NodeKey, kind: MapNode['kind'], name: string) => {
    if (!used.has(key)) return;
    stands.set(key, key);
    nodes.push({ key, kind, name, published: true, folded: false, steps: [] });
  };
  for (const o of design.outcomes) other(`outcome-${o.id}`, 'outcome', `${o.code} ${o.name}`);
  for (const b of design.badges) other(`badge-${b.id}`, 'badge', b.name);
  other('course', 'course', design.name);
  const drawn: MapEdge[] = [];
  for (const edge of edges) {
    const from = stands.get(edge.from);
    const to = stands.get(edge.to);
    if (!from || !to || from === to || inside(design, from, to)) continue;
    const there = drawn.find((e) => e.from === from && e.to === to);
    if (there) there.says = [...new Set([...there.says, ...edge.says])];
    else drawn.push({ from, to, says: edge.says });
  }
  return { nodes, edges: drawn };
}

function inside(design: Design, a: NodeKey, b: NodeKey): boolean {
  const has = (module: NodeKey, step: NodeKey) =>
    design.modules.some(
      (m) => moduleKey(m.id) === module && m.steps.some((s) => stepKey(s.id) === step),
    );
  return has(a, b) || has(b, a);
}

export type Way = 'both' | 'before' | 'after';

/** What lies on the ways through something: in front of it, and behind it. */
export interface Followed {
  before: ReadonlySet<NodeKey>;
  after: ReadonlySet<NodeKey>;
}

export const isOn = (followed: Followed, key: NodeKey) =>
  followed.before.has(key) || followed.after.has(key);

/** Whether a way is one of those, and not only between two things that are on some of them. */
export const leads = ({ before, after }: Followed, { from, to }: MapEdge) =>
  (before.has(from) && before.has(to)) || (after.has(from) && after.has(to));

/**
 * Everything on the ways through a node: what holds it back, what it opens, or both. A module opens
 * its steps, and those it is done by lead on from it.
 */
export function following(design: Design, graph: MapGraph, key: NodeKey, way: Way): Followed {
  const on = new Map<string, string[]>();
  const back = new Map<string, string[]>();
  const link = (from: string, to: string) => {
    on.set(from, [...(on.get(from) ?? []), to]);
    back.set(to, [...(back.get(to) ?? []), from]);
  };
  for (const { from, to } of graph.edges) link(doneOf(from), doorOf(to));
  for (const module of design.modules) {
    const node = moduleKey(module.id);
    const asks = module.doneWhen && asked(module.doneWhen.root).map((a) => a.by);
    const drawn = graph.nodes.find((n) => n.key === node)?.steps ?? [];
    // what is done in a folded module may lead on from it
    if (drawn.length === 0) link(doorOf(node), doneOf(node));
    for (const step of module.steps.filter((s) => drawn.some((d) => d.id === s.id))) {
      link(doorOf(node), stepKey(step.id));
      if (asks ? asks.includes(stepKey(step.id)) : step.required && step.published)
        link(stepKey(step.id), doneOf(node));
    }
  }
  const walk = (ways: Map<string, string[]>, first: string) => {
    const found = new Set<NodeKey>();
    const open = [first];
    const seen = new Set(open);
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      found.add(at.split(' ')[0] ?? at);
      for (const next of ways.get(at) ?? [])
        if (!seen.has(next)) {
          seen.add(next);
          open.push(next);
        }
    }
    return found;
  };
  const only = new Set([key]);
  return {
    before: way === 'after' ? only : walk(back, doneOf(key)),
    after: way === 'before' ? only : walk(on, doorOf(key)),
  };
}

/** A module is opened at its door, and leads on once it is done; all else is one place. */
const doorOf = (key: NodeKey) => (key.startsWith('module-') ? `${key} door` : key);
const doneOf = (key: NodeKey) => (key.startsWith('module-') ? `${key} done` : key);

/** More steps than this are hard to see at once. */
const READABLE = 60;

/** Which modules are folded at first: none, or all but the one in which something is selected. */
export function foldedAtFirst(design: Design, selected: string | null): Set<number> {
  const steps = design.modules.reduce((sum, m) => sum + m.steps.length, 0);
  if (steps <= READABLE) return new Set();
  return new Set(
    design.modules
      .filter(
        (m) => selected !== moduleKey(m.id) && !m.steps.some((s) => stepKey(s.id) === selected),
      )
      .map((m) => m.id),
  );
}
