import type { QueryClient } from '@tanstack/react-query';
import { queries } from '../api/queries';
import { endSession } from '../ui/session';

/** Forgets what was known of whoever was signed in; the page is that of nobody then. */
export function leave(client: QueryClient) {
  client.setQueryData(
    queries.me().queryKey,
    (me) => me && { institution: me.institution, courses: [] },
  );
  client.removeQueries({ predicate: (q) => q.queryKey[0] !== 'me' });
  client.getMutationCache().clear();
  endSession();
}
