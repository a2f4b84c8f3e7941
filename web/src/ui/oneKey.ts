import { useSyncExternalStore } from 'react';

const KEPT = 'yendrik-one-key';
const OFF = 'off';
const listeners = new Set<() => void>();

/** Whether keys of one letter hold wherever the focus is: who speaks to the computer may not want it. */
export const oneKey = () => localStorage.getItem(KEPT) !== OFF;

function listen(listener: () => void) {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** The same as a choice of this browser. */
export function useOneKey(): [boolean, (on: boolean) => void] {
  const set = (on: boolean) => {
    if (on) localStorage.removeItem(KEPT);
    else localStorage.setItem(KEPT, OFF);
    for (const listener of listeners) listener();
  };
  return [useSyncExternalStore(listen, oneKey), set];
}
