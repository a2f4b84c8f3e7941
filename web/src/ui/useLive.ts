import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

const CALM = 400;

/** Fetches a course's changing parts again when the server says that a learner's state changed. */
export function useLive(course: number, kinds: string[]) {
  const queries = useQueryClient();
  const key = kinds.join(' ');
  useEffect(() => {
    const source = new EventSource(`/api/courses/${course}/events`);
    let timer: ReturnType<typeof setTimeout> | undefined;
    source.addEventListener('changed', () => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        for (const kind of key.split(' '))
          void queries.invalidateQueries({ queryKey: [kind, course] });
      }, CALM);
    });
    return () => {
      clearTimeout(timer);
      source.close();
    };
  }, [course, key, queries]);
}
