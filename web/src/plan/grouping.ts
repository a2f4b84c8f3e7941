import type { DesignOutcome } from '../api/client';

type Grouped = Pick<DesignOutcome, 'id' | 'group'>;

/** A group with its outcomes, then the groups in it; the root has an empty path. */
export interface Branch<T extends Grouped> {
  path: string[];
  outcomes: T[];
  branches: Branch<T>[];
}

/** Outcomes by their groups; groups stand where the first outcome in them stands. */
export function grouped<T extends Grouped>(outcomes: T[]): Branch<T> {
  const root: Branch<T> = { path: [], outcomes: [], branches: [] };
  for (const outcome of outcomes) {
    let at = root;
    for (const name of outcome.group) {
      let next = at.branches.find((b) => b.path.at(-1) === name);
      if (!next) {
        next = { path: [...at.path, name], outcomes: [], branches: [] };
        at.branches.push(next);
      }
      at = next;
    }
    at.outcomes.push(outcome);
  }
  return root;
}

/** All outcomes of a branch, in the order in which they are shown. */
export const within = <T extends Grouped>(branch: Branch<T>): T[] => [
  ...branch.outcomes,
  ...branch.branches.flatMap(within),
];

export const pathKey = (path: string[]) => path.join(' / ');

/** "Wheels / Truing" as a path; empty parts are left out. */
export const readPath = (text: string): string[] =>
  text
    .split('/')
    .map((part) => part.trim())
    .filter(Boolean);

/** The path of an outcome after a group was given another name. */
export function renamed(group: string[], from: string[], name: string): string[] {
  const inside = from.every((part, n) => group[n] === part);
  if (!inside || from.length === 0 || !name.trim()) return group;
  return [...from.slice(0, -1), name.trim(), ...group.slice(from.length)];
}

/**
 * The order of all outcomes after one has changed places with its neighbour in the same group.
 *
 * @param way -1 for up, 1 for down
 */
export function swapped(outcomes: Grouped[], id: number, way: -1 | 1): number[] {
  const order = outcomes.map((o) => o.id);
  const own = outcomes.find((o) => o.id === id);
  if (!own) return order;
  const same = outcomes.filter((o) => pathKey(o.group) === pathKey(own.group));
  const other = same[same.findIndex((o) => o.id === id) + way];
  if (!other) return order;
  const a = order.indexOf(id);
  const b = order.indexOf(other.id);
  order[a] = other.id;
  order[b] = id;
  return order;
}

/** Whether an outcome is what somebody looks for: in its code, name, description or group. */
export function found(
  outcome: Pick<DesignOutcome, 'code' | 'name' | 'description' | 'group'>,
  text: string,
): boolean {
  const all = [outcome.code, outcome.name, outcome.description, ...outcome.group]
    .join(' ')
    .toLowerCase();
  return text
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .every((word) => all.includes(word));
}
