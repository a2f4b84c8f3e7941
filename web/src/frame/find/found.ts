/** What a thing that can be found is. */
export const GROUPS = [
  'lately',
  'do',
  'views',
  'people',
  'steps',
  'outcomes',
  'badges',
  'courses',
] as const;

export type Group = (typeof GROUPS)[number];

/** Something to find or to do. */
export interface Thing {
  group: Group;
  /** Within its group. */
  id: string;
  name: string;
  /** Where it stands, or what else it is known by; found by these words too. */
  more?: string | undefined;
  go: () => void;
}

const MOST = 60;
const LATELY = 5;

const letters = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** How well a thing answers what was typed; nothing where it does not. */
function rank(thing: Thing, words: string[]): number | undefined {
  const name = letters(thing.name);
  const said = `${name} ${letters(thing.more ?? '')}`;
  if (!words.every((word) => said.includes(word))) return undefined;
  const first = words[0] ?? '';
  if (name.startsWith(first)) return 0;
  if (name.split(/[^\p{L}\p{N}]+/u).some((part) => part.startsWith(first))) return 1;
  return name.includes(first) ? 2 : 3;
}

/** By what a thing is known from one day to the next. */
export const keyOf = ({ group, id }: Thing) => `${group}-${id}`;

/** What was taken lately with what is taken now before it, each once. */
export const lately = (before: string[], now: string) =>
  [now, ...before.filter((key) => key !== now)].slice(0, LATELY);

/**
 * The things that have all words that were typed, group by group, the best of each first. With
 * nothing typed: what was taken lately, what one can do, and where one can go.
 */
export function found(all: Thing[], typed: string, taken: string[] = []): Thing[] {
  const words = letters(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) {
    const again = taken.flatMap((key) => all.find((t) => keyOf(t) === key) ?? []);
    const rest = all.filter((t) => t.group === 'do' || t.group === 'views');
    return [
      ...again.map((t): Thing => ({ ...t, group: 'lately', id: keyOf(t) })),
      ...rest.filter((t) => !again.includes(t)),
    ].slice(0, MOST);
  }
  return all
    .map((thing) => ({ thing, rank: rank(thing, words) }))
    .filter((r): r is { thing: Thing; rank: number } => r.rank !== undefined)
    .sort(
      (a, b) => GROUPS.indexOf(a.thing.group) - GROUPS.indexOf(b.thing.group) || a.rank - b.rank,
    )
    .map((r) => r.thing)
    .slice(0, MOST);
}
