import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { listen, type Who } from './live';
import { type LiveRows, refresh } from './rows';

/** Whether what was fetched is about one person, and about none of these. */
function aboutOthers(data: unknown, who: Who): boolean {
  if (who === 'everybody' || typeof data !== 'object' || data === null) return false;
  return 'person' in data && !who.has(Number(data.person));
}

/**
 * Fetches a course's changing parts again when the server says that a learner's state changed: of
 * what is about one person only if it was theirs, of a list of learners only their rows.
 */
export function useLive(course: number, kinds: string[], rows?: LiveRows) {
  const queries = useQueryClient();
  const key = kinds.join(' ');
  // One after the other, so that what was asked for first never replaces what came later.
  const line = useRef(Promise.resolve());
  useEffect(
    () =>
      listen(course, (who) => {
        if (rows) line.current = line.current.then(() => refresh(queries, course, rows, who));
        for (const kind of key.split(' '))
          void queries.invalidateQueries({
            queryKey: [kind, course],
            predicate: (query) => !aboutOthers(query.state.data, who),
          });
      }),
    [course, key, queries, rows],
  );
}
