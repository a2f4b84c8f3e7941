import { useEffect } from 'react';
import { api } from '../api/client';

const EVERY_SECONDS = 30;

/** Reports time on a step, only while the page is visible. */
export function useTimeSpent(course: number, walk: string, step: number, active: boolean) {
  useEffect(() => {
    if (!active) return;
    const timer = setInterval(() => {
      if (document.visibilityState !== 'visible') return;
      void api
        .POST('/api/courses/{course}/walks/{walk}/steps/{step}/time', {
          params: { path: { course, walk, step } },
          body: { seconds: EVERY_SECONDS },
        })
        .catch(() => undefined);
    }, EVERY_SECONDS * 1000);
    return () => clearInterval(timer);
  }, [course, walk, step, active]);
}
