/** People about whom something has changed, or everybody where nobody knows who. */
export type Who = ReadonlySet<number> | 'everybody';

/** Hears of changes in a course. */
export type Hears = (who: Who) => void;

const CALM = 400;
const LONGEST = 1_500;

interface Line {
  source: EventSource;
  listeners: Set<Hears>;
}

const lines = new Map<number, Line>();

/**
 * Gathers events: tells after a moment of calm, and after a longest wait where there is none, so
 * that a view is drawn anew however much goes on.
 */
export function gathering(tell: () => void): { heard: () => void; forget: () => void } {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let first: number | undefined;
  const forget = () => {
    clearTimeout(timer);
    first = undefined;
  };
  const heard = () => {
    const now = performance.now();
    first ??= now;
    clearTimeout(timer);
    const wait = Math.max(0, Math.min(CALM, first + LONGEST - now));
    timer = setTimeout(() => {
      first = undefined;
      tell();
    }, wait);
  };
  return { heard, forget };
}

function open(course: number): Line {
  const source = new EventSource(`/api/courses/${course}/events`);
  const line: Line = { source, listeners: new Set() };
  let gathered = new Set<number>();
  let all = false;
  const { heard } = gathering(() => {
    const who = all ? 'everybody' : gathered;
    gathered = new Set();
    all = false;
    for (const listener of line.listeners) listener(who);
  });
  let before = false;
  source.addEventListener('changed', (event) => {
    for (const id of String(event.data).split(' ')) gathered.add(Number(id));
    heard();
  });
  // What happened while the connection was lost was told to nobody.
  source.addEventListener('ready', () => {
    all = before;
    if (before) heard();
    before = true;
  });
  return line;
}

/** Listens to a course; all of a page share one connection for each course. */
export function listen(course: number, hears: Hears): () => void {
  const line = lines.get(course) ?? open(course);
  lines.set(course, line);
  line.listeners.add(hears);
  return () => {
    line.listeners.delete(hears);
    if (line.listeners.size > 0) return;
    line.source.close();
    lines.delete(course);
  };
}
