import type { QueryClient } from '@tanstack/react-query';

/** All that shows an exception, or what follows from one, is asked for anew. */
export function exceptionsChanged(client: QueryClient, course: number) {
  for (const key of ['bead', 'progress', 'learner', 'followUp', 'exceptions', 'decisions'])
    void client.invalidateQueries({ queryKey: [key, course] });
}
