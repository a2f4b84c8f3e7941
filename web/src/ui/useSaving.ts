import {
  type Mutation,
  onlineManager,
  type QueryClient,
  useMutationState,
  useQueryClient,
} from '@tanstack/react-query';
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { ApiError } from '../api/client';

declare module '@tanstack/react-query' {
  interface Register {
    mutationMeta: {
      /** An act that keeps nothing: to sign in, to look, to compare. */
      silent?: boolean;
      /**
       * What an act that can be asked again as it was is about. A later act about the same takes
       * its place. Where somebody presses a button once more nothing is asked again from here.
       */
      about?: (variables: never) => string | undefined;
    };
  }
}

/** An act with its state as it was looked at: an act itself stays the same whatever becomes of it. */
interface Act {
  mutation: Mutation<unknown, Error, unknown>;
  state: Mutation<unknown, Error, unknown>['state'];
}

export type Saving =
  | { is: 'nothing' }
  | { is: 'saved' }
  | { is: 'saving' }
  | { is: 'offline'; waiting: number }
  | { is: 'refused'; why: string }
  | { is: 'failed'; why: string; again: () => void; leave: () => void };

const SIGNED_OUT = 401;

/** What no server heard or could do, or what came from somebody it had signed out. */
const unheard = ({ state: { status, error } }: Act) =>
  status === 'error' &&
  !(error instanceof ApiError && error.problem.status < 500 && error.problem.status !== SIGNED_OUT);

const about = (act: Act) => act.mutation.meta?.about?.(act.state.variables as never);

/** Those that can be asked again: no later one about the same has taken their place. */
function unsavedOf(acts: Act[]): Act[] {
  return acts.filter((act) => {
    const key = about(act);
    if (key === undefined || !unheard(act)) return false;
    return !acts.some(
      (other) => other.mutation.mutationId > act.mutation.mutationId && about(other) === key,
    );
  });
}

/** One after the other, as they were done; those that fail again stay. */
async function sendAgain(acts: Act[]) {
  for (const { mutation, state } of acts) await mutation.execute(state.variables).catch(() => {});
}

/** Sends what is kept to be tried again. */
export function sendUnsaved(client: QueryClient) {
  const acts = client.getMutationCache().getAll();
  return sendAgain(
    unsavedOf(acts.map((mutation) => ({ mutation, state: mutation.state }) as unknown as Act)),
  );
}

function useOnline() {
  return useSyncExternalStore(
    (changed) => onlineManager.subscribe(changed),
    () => onlineManager.isOnline(),
  );
}

/** Forgets that something was refused: what was typed is given up. */
export function giveUp(client: QueryClient, error: Error) {
  const acts = client.getMutationCache();
  for (const act of acts.getAll())
    if (act.state.status === 'error' && act.state.error === error) acts.remove(act);
}

/** A form that is left takes with it that it was refused: what was typed there is given up. */
export function useGivenUp(error: Error | undefined | null) {
  const client = useQueryClient();
  const last = useRef(error);
  last.current = error;
  useEffect(
    () => () => {
      if (last.current) giveUp(client, last.current);
    },
    [client],
  );
}

/** What has become of everything that was done in this tab. */
export function useSaving(): Saving {
  const client = useQueryClient();
  const online = useOnline();
  const acts = useMutationState({
    filters: {
      predicate: (act) => !act.meta?.silent && act.state.status !== 'idle',
    },
    select: (mutation) => ({ mutation, state: mutation.state }) as unknown as Act,
  });
  const pending = acts.filter((a) => a.state.status === 'pending');
  const open = unsavedOf(acts);
  const unsaved = pending.length + open.length > 0;
  useEffect(() => {
    if (!unsaved) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [unsaved]);
  if (!online) return { is: 'offline', waiting: pending.length };
  if (pending.length > 0) return { is: 'saving' };
  const [first] = open;
  if (first) {
    return {
      is: 'failed',
      why: first.state.error?.message ?? '',
      again: () => void sendAgain(open),
      leave: () => {
        for (const act of open) client.getMutationCache().remove(act.mutation);
      },
    };
  }
  const last = acts.reduce<Act | undefined>(
    (a, b) => (a && a.state.submittedAt > b.state.submittedAt ? a : b),
    undefined,
  );
  if (!last) return { is: 'nothing' };
  return last.state.status === 'error'
    ? { is: 'refused', why: last.state.error?.message ?? '' }
    : { is: 'saved' };
}
