import type { LearnerRow } from '../api/client';

export const SORTS = ['flagged', 'name', 'last', 'done'] as const;
export type Sort = (typeof SORTS)[number];

export interface Arrangement {
  sort: Sort;
  group: number;
  flagged: boolean;
  find: string;
}

const byName = (a: LearnerRow, b: LearnerRow) => a.name.localeCompare(b.name);
const lastHere = (l: LearnerRow) => (l.lastHere ? Date.parse(l.lastHere) : 0);

const COMPARE: Record<Sort, (a: LearnerRow, b: LearnerRow) => number> = {
  flagged: (a, b) => b.flags.length - a.flags.length || lastHere(a) - lastHere(b) || byName(a, b),
  name: byName,
  last: (a, b) => lastHere(a) - lastHere(b) || byName(a, b),
  done: (a, b) => a.share - b.share || byName(a, b),
};

/** The learners that fit the filters, in the order asked for. */
export function arrange(
  learners: LearnerRow[],
  { sort, group, flagged, find }: Arrangement,
): LearnerRow[] {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  return learners
    .filter(
      (l) =>
        (group === 0 || l.groups.includes(group)) &&
        (!flagged || l.flags.length > 0) &&
        words.every((w) => l.name.toLowerCase().includes(w)),
    )
    .sort(COMPARE[sort]);
}
