import { useSyncExternalStore } from 'react';
import type { Me } from '../api/client';
import { whenSessionEnds } from '../ui/session';

let kept: Me | undefined;
const listeners = new Set<() => void>();

whenSessionEnds(() => {
  kept = undefined;
  for (const listener of listeners) listener();
});

function listen(listener: () => void) {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/**
 * Who is signed in, and who was until the server ended it: what they were doing stays until they
 * sign in again or leave.
 */
export function useSignedIn(me: Me): Me {
  if (me.person) kept = me;
  const before = useSyncExternalStore(listen, () => kept);
  return me.person ? me : (before ?? me);
}
