import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { listen } from './live';

/** Fetches a course's changing parts again when the server says that a learner's state changed. */
export function useLive(course: number, kinds: string[]) {
  const queries = useQueryClient();
  const key = kinds.join(' ');
  useEffect(
    () =>
      listen(course, () => {
        for (const kind of key.split(' '))
          void queries.invalidateQueries({ queryKey: [kind, course] });
      }),
    [course, key, queries],
  );
}
