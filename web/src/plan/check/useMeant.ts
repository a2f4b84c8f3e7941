import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, body, type CheckOfDraft } from '../../api/client';
import { queries } from '../../api/queries';
import { useNotice } from '../../ui/Notice';

export interface Meaning {
  mean: (finding: string, reason: string) => void;
  noMore: (finding: string) => void;
}

/** Keeps that findings are meant so; what is found then is shown at once. */
export function useMeant(course: number): Meaning {
  const client = useQueryClient();
  const notice = useNotice();
  const path = { path: { course } };
  const how = {
    onSuccess: (check: CheckOfDraft) => client.setQueryData(queries.check(course).queryKey, check),
    onError: (e: Error) => {
      notice({ tone: 'error', text: e.message });
      void client.invalidateQueries({ queryKey: queries.check(course).queryKey });
    },
  };
  const keep = useMutation({
    mutationFn: (sent: { finding: string; reason: string }) =>
      body(api.PUT('/api/courses/{course}/design/check/meant', { params: path, body: sent })),
    ...how,
  });
  const remove = useMutation({
    mutationFn: (finding: string) =>
      body(
        api.POST('/api/courses/{course}/design/check/meant/removal', {
          params: path,
          body: { finding },
        }),
      ),
    ...how,
  });
  return {
    mean: (finding, reason) => keep.mutate({ finding, reason }),
    noMore: (finding) => remove.mutate(finding),
  };
}
