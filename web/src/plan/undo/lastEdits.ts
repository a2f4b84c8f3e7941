import { useSyncExternalStore } from 'react';
import { OF_SESSION, whenSessionEnds } from '../../ui/session';
import type { Part, Thing, Way } from './way';

/** What was done, as it is said: which fields of what, or what came and went. */
export interface Did {
  did: 'changed' | 'added' | 'removed' | 'moved';
  part: Part | 'things';
  /** What it is called; with several things how many they are. */
  name: string;
  count?: number;
  fields?: string[];
}

/** An edit of a draft with its way back, all of it data: it outlives the page. */
export interface Edit extends Did {
  key: string;
  at: string;
  way: Way;
}

/** The last edits of one person in one course, and the versions in which they left things. */
interface Kept {
  edits: Edit[];
  left: Record<string, number>;
}

const ALL = `${OF_SESSION}edits-`;
const MOST = 50;
/** Characters; a browser keeps a few million of all that belongs to a place. */
const ROOM = 600_000;
const NOTHING: Kept = { edits: [], left: {} };

const listeners = new Set<() => void>();
const read = new Map<string, { text: string | null; kept: Kept }>();

const tell = () => {
  for (const listener of listeners) listener();
};

whenSessionEnds(() => {
  read.clear();
  tell();
});

/** Whose edits, and of which course. */
export interface Whose {
  person: number;
  course: number;
}

const keyOf = ({ person, course }: Whose) => `${ALL}${person}-${course}`;

function parsed(text: string | null): Kept {
  try {
    return text ? (JSON.parse(text) as Kept) : NOTHING;
  } catch {
    return NOTHING;
  }
}

function keptBy(whose: Whose): Kept {
  const key = keyOf(whose);
  const text = localStorage.getItem(key);
  const before = read.get(key);
  if (before && before.text === text) return before.kept;
  const kept = parsed(text);
  read.set(key, { text, kept });
  return kept;
}

/** Only of what an edit that can still be undone is about. */
function stillAsked({ edits, left }: Kept): Kept['left'] {
  const things = new Set(
    edits.flatMap(({ way }) => (way.goes === 'away' ? way.things : [])).map(thingKey),
  );
  return Object.fromEntries(Object.entries(left).filter(([key]) => things.has(key)));
}

function write(whose: Whose, kept: Kept) {
  let edits = kept.edits.slice(-MOST);
  for (;;) {
    const text = JSON.stringify({ edits, left: stillAsked({ ...kept, edits }) });
    try {
      if (text.length > ROOM && edits.length > 1) throw new RangeError();
      localStorage.setItem(keyOf(whose), text);
      break;
    } catch {
      // No room: what is oldest is given up first.
      if (edits.length === 0) break;
      edits = edits.slice(Math.ceil(edits.length / 2));
    }
  }
  tell();
}

const thingKey = ({ part, id }: { part: Part; id: number }) => `${part}-${id}`;

/** Notes an edit; its key comes back. */
export function note(whose: Whose, did: Did, way: Way): string {
  const kept = keptBy(whose);
  const edit: Edit = { ...did, key: crypto.randomUUID(), at: new Date().toISOString(), way };
  const left = { ...kept.left };
  if (way.goes === 'away') for (const thing of way.things) left[thingKey(thing)] = thing.version;
  write(whose, { edits: [...kept.edits, edit], left });
  return edit.key;
}

/**
 * Notes in which version somebody left a thing. Where others changed it in between, it stays as it
 * was left before, so that nothing of theirs is taken away with it.
 */
export function leftAs(whose: Whose, thing: Thing) {
  const kept = keptBy(whose);
  const key = thingKey(thing);
  const before = kept.left[key];
  if (before === undefined || thing.version !== before + 1) return;
  write(whose, { ...kept, left: { ...kept.left, [key]: thing.version } });
}

/** A way back, with the things that it takes away as they were left. */
export function asLeft(whose: Whose, way: Way): Way {
  if (way.goes !== 'away') return way;
  const { left } = keptBy(whose);
  return {
    ...way,
    things: way.things.map((t) => ({ ...t, version: left[thingKey(t)] ?? t.version })),
  };
}

/** The edit of a key, or the last one; nothing where it is on its way back already. */
export const editOf = (whose: Whose, going: Set<string>, key?: string): Edit | undefined =>
  keptBy(whose)
    .edits.filter((e) => !going.has(e.key))
    .findLast((e) => key === undefined || e.key === key);

/** Takes an edit from the list. */
export function drop(whose: Whose, key: string) {
  const kept = keptBy(whose);
  write(whose, { ...kept, edits: kept.edits.filter((e) => e.key !== key) });
}

function listen(listener: () => void) {
  listeners.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
}

/** The last edits, the latest last, of all tabs. */
export const useLastEdits = (whose: Whose): Edit[] =>
  useSyncExternalStore(listen, () => keptBy(whose).edits);
