import { QueryClient } from '@tanstack/react-query';
import { ApiError, whenSignedOut } from './client';
import { queries } from './queries';

const AGAIN_AFTER_MS = 5_000;

/** Whether it may come by itself: nobody answered, or the data cannot be reached. */
const passes = (error: Error | null) =>
  error !== null && (!(error instanceof ApiError) || error.problem.status === 503);

/** What the server says, kept for a while; what could not be reached is asked for again by itself. */
export function newQueryClient() {
  const client = new QueryClient({
    defaultOptions: {
      queries: {
        retry: (n, error) => !(error instanceof ApiError) && n < 2,
        refetchInterval: ({ state }) => (passes(state.error) ? AGAIN_AFTER_MS : false),
        staleTime: 5_000,
      },
      // What was not saved stays there to be tried again.
      mutations: { gcTime: 60 * 60_000 },
    },
  });
  // Whoever was signed out learns it at once, not at the next look at who they are.
  whenSignedOut(() => void client.invalidateQueries({ queryKey: queries.me().queryKey }));
  return client;
}
