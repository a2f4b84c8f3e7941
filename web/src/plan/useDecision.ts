import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, type Decision } from '../api/client';
import { queries } from '../api/queries';

/** What to do about something adopted: take the framework's words, keep one's own, or leave it. */
export function useDecision(course: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({
      part,
      id,
      decision,
    }: {
      part: 'outcomes' | 'scales';
      id: number;
      decision: Decision;
    }) => {
      const init = { params: { path: { course, id } }, body: { decision } };
      return part === 'outcomes'
        ? api.POST('/api/courses/{course}/design/outcomes/{id}/decision', init)
        : api.POST('/api/courses/{course}/design/scales/{id}/decision', init);
    },
    onSettled: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: queries.design(course).queryKey }),
        client.invalidateQueries({ queryKey: queries.frameworks(course).queryKey }),
      ]),
  });
}
