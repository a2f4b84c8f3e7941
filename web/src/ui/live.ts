/** People about whom something has changed, or everybody where nobody knows who. */
export type Who = ReadonlySet<number> | 'everybody';

/** Hears of changes in a course. */
export type Hears = (who: Who) => void;

const CALM = 400;
const LONGEST = 1_500;
/** How long a tab lets others go first whose connection was refused. */
const REFUSED = 10_000;

interface Line {
  close: () => void;
  listeners: Set<Hears>;
}

/** What a tab that is connected hands on to the others: ids, or that the connection is back. */
type Heard = { changed: number[] } | { again: true };

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

/** A connection to the server; only one tab of a browser has it. */
function connect(
  course: number,
  waited: boolean,
  tell: (heard: Heard) => void,
  refused: () => void,
): () => void {
  const source = new EventSource(`/api/courses/${course}/events`);
  let before = waited;
  source.addEventListener('changed', (event) =>
    tell({ changed: String(event.data).split(' ').map(Number) }),
  );
  // What happened while nobody was connected was told to nobody.
  source.addEventListener('ready', () => {
    if (before) tell({ again: true });
    before = true;
  });
  // A connection that is lost comes back by itself, one that is refused does not.
  source.addEventListener('error', () => {
    if (source.readyState === EventSource.CLOSED) refused();
  });
  return () => source.close();
}

/**
 * Lets one of a browser's tabs be connected, since a browser opens few connections to a server and
 * one that waits for events is never free. The others hear what it hears; when it is closed, or
 * refused since somebody signed out, the next one takes its place.
 */
function share(course: number, hears: (heard: Heard) => void): () => void {
  const name = `yendrik-live-${course}`;
  const tabs = navigator.locks && typeof BroadcastChannel !== 'undefined';
  const others = tabs ? new BroadcastChannel(name) : undefined;
  if (others) others.onmessage = (event: MessageEvent<Heard>) => hears(event.data);
  const over = new AbortController();
  let disconnect = () => {};
  let pause: ReturnType<typeof setTimeout> | undefined;
  const hold = (waited: boolean) =>
    new Promise<void>((release) => {
      if (over.signal.aborted) return release();
      const close = connect(
        course,
        waited,
        (heard) => {
          hears(heard);
          others?.postMessage(heard);
        },
        () => {
          disconnect = () => {};
          release();
          pause = setTimeout(wait, REFUSED);
        },
      );
      disconnect = () => {
        close();
        release();
      };
    });
  function wait() {
    if (!tabs) return void hold(true);
    navigator.locks.request(name, { signal: over.signal }, () => hold(true)).catch(() => {}); // closed while it waited
  }
  if (tabs)
    void navigator.locks
      .request(name, { ifAvailable: true }, (lock) => (lock ? hold(false) : 'taken'))
      .then((how) => how === 'taken' && !over.signal.aborted && wait());
  else void hold(false);
  return () => {
    over.abort();
    clearTimeout(pause);
    disconnect();
    others?.close();
  };
}

function open(course: number): Line {
  const listeners = new Set<Hears>();
  let gathered = new Set<number>();
  let all = false;
  const { heard, forget } = gathering(() => {
    const who = all ? 'everybody' : gathered;
    gathered = new Set();
    all = false;
    for (const listener of listeners) listener(who);
  });
  const close = share(course, (what) => {
    if ('again' in what) all = true;
    else for (const id of what.changed) gathered.add(id);
    heard();
  });
  return {
    listeners,
    close: () => {
      close();
      forget();
    },
  };
}

/** Listens to a course; all tabs of a browser share one connection for each course. */
export function listen(course: number, hears: Hears): () => void {
  const line = lines.get(course) ?? open(course);
  lines.set(course, line);
  line.listeners.add(hears);
  return () => {
    line.listeners.delete(hears);
    if (line.listeners.size > 0) return;
    line.close();
    lines.delete(course);
  };
}
