import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { listen } from './live';
import { aboutOthers, type LiveRows, refresh } from './rows';

/**
 * Fetches a course's changing parts again when the server says that a learner's state changed: of a
 * list of learners only their rows, and of what stands beside it only what is about them.
 */
export function useLive(course: number, kinds: string[], rows?: LiveRows) {
  const queries = useQueryClient();
  const key = kinds.join(' ');
  // One after the other, so that what was asked for first never replaces what came later.
  const line = useRef(Promise.resolve());
  useEffect(
    () =>
      listen(course, (who) => {
        for (const kind of key.split(' ').filter(Boolean))
          void queries.invalidateQueries({ queryKey: [kind, course] });
        if (!rows) return;
        line.current = line.current.then(() => refresh(queries, course, rows, who));
        for (const kind of rows.ofOne)
          void queries.invalidateQueries({
            queryKey: [kind, course],
            predicate: (query) => !aboutOthers(query.state.data, who),
          });
      }),
    [course, key, queries, rows],
  );
}
