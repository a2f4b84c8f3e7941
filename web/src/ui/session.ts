const ends = new Set<() => void>();
const TABS = 'yendrik-session';

/**
 * What this browser keeps of whoever is signed in, by the beginning of its name: gone with them,
 * whether the part that kept it is loaded or not.
 */
export const OF_SESSION = 'yendrik-session-';

/** Something of whoever is signed in that must not be there for the next one. */
export function whenSessionEnds(forget: () => void) {
  ends.add(forget);
}

/** Forgets what belongs to whoever was signed in, in all tabs of the browser. */
export function endSession() {
  for (const key of Object.keys(localStorage))
    if (key.startsWith(OF_SESSION)) localStorage.removeItem(key);
  for (const forget of ends) forget();
  const tabs = new BroadcastChannel(TABS);
  tabs.postMessage('ended');
  tabs.close();
}

/** Told when whoever was signed in left in another tab. */
export function whenEndedElsewhere(leave: () => void) {
  new BroadcastChannel(TABS).onmessage = leave;
}
