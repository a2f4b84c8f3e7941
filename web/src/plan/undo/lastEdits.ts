import { OF_SESSION } from '../../ui/session';
import { stored } from '../../ui/stored';
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

const store = stored<Kept>(NOTHING);

/** Whose edits, and of which course. */
export interface Whose {
  person: number;
  course: number;
}

const keyOf = ({ person, course }: Whose) => `${ALL}${person}-${course}`;

const keptBy = (whose: Whose): Kept => store.get(keyOf(whose));

/** Only of what an edit that can still be undone is about. */
function stillAsked({ edits, left }: Kept): Kept['left'] {
  const things = new Set(
    edits.flatMap(({ way }) => (way.goes === 'away' ? way.things : [])).map(thingKey),
  );
  return Object.fromEntries(Object.entries(left).filter(([key]) => things.has(key)));
}

function write(whose: Whose, kept: Kept) {
  let edits = kept.edits.slice(-MOST);
  const all = () => ({ edits, left: stillAsked({ ...kept, edits }) });
  // No room: what is oldest is given up first.
  const fewer = () => {
    edits = edits.slice(Math.ceil(edits.length / 2));
  };
  while (edits.length > 1 && JSON.stringify(all()).length > ROOM) fewer();
  while (edits.length > 0) {
    try {
      return store.set(keyOf(whose), all());
    } catch {
      fewer();
    }
  }
  store.set(keyOf(whose), undefined);
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

/** The edit of a key, or the last one. */
export const editOf = (whose: Whose, key?: string): Edit | undefined =>
  keptBy(whose).edits.findLast((e) => key === undefined || e.key === key);

/** Takes an edit from the list. */
export function drop(whose: Whose, key: string) {
  const kept = keptBy(whose);
  write(whose, { ...kept, edits: kept.edits.filter((e) => e.key !== key) });
}

/** The last edits, the latest last, of all tabs. */
export const useLastEdits = (whose: Whose): Edit[] => store.use(keyOf(whose)).edits;
