import type { QueryClient } from '@tanstack/react-query';
import type { Who } from './live';

/** A view of learners, a row each, under a version of the design. */
export interface Rows {
  version: number;
  learners: { person: number }[];
}

/**
 * A view that is kept as one query of a course, and of which single rows can be fetched. Beside it
 * stand views of one learner each, who is their `person`.
 */
export interface LiveRows {
  kind: string;
  ofOne: string[];
  fetch: (course: number, people: number[]) => Promise<Rows>;
}

/** Whether what was fetched is about one learner, and about none of these. */
export function aboutOthers(data: unknown, who: Who): boolean {
  if (who === 'everybody' || typeof data !== 'object' || data === null) return false;
  return 'person' in data && !who.has(Number(data.person));
}

/** With more changed rows than this the whole view is fetched. */
const MOST = 100;

/**
 * Puts fresh rows into a view.
 *
 * @returns undefined when the view has to be fetched as a whole: the design is another one by now,
 *   or somebody is new in it
 */
export function merged<V extends Rows>(old: V, part: V, people: ReadonlySet<number>) {
  const fresh = new Map(part.learners.map((row) => [row.person, row]));
  const known = new Set(old.learners.map((row) => row.person));
  if (part.version !== old.version || [...fresh.keys()].some((person) => !known.has(person)))
    return undefined;
  const learners = old.learners.flatMap((row) => {
    if (!people.has(row.person)) return [row];
    const now = fresh.get(row.person);
    return now ? [now] : [];
  });
  return { ...part, learners };
}

/** Brings a view up to date about some people, by their rows alone where that is enough. */
export async function refresh(queries: QueryClient, course: number, rows: LiveRows, who: Who) {
  const queryKey = [rows.kind, course];
  const whole = () => queries.invalidateQueries({ queryKey });
  const before = queries.getQueryState<Rows>(queryKey);
  if (who === 'everybody' || who.size > MOST || !before?.data || before.fetchStatus === 'fetching')
    return whole();
  const part = await rows.fetch(course, [...who]).catch(() => undefined);
  const now = queries.getQueryState<Rows>(queryKey);
  const view =
    part && now?.data && now.fetchStatus !== 'fetching' ? merged(now.data, part, who) : undefined;
  if (!view) return whole();
  queries.setQueryData(queryKey, view);
}
