import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { useNotice } from '../ui/Notice';

/** Winds a practice course back to empty; all of it can be brought back at once. */
export function useWindBack(course: number | undefined) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const path = { params: { path: { course: course ?? 0 } } };
  const anew = () => client.invalidateQueries();
  return useMutation({
    mutationFn: () => body(api.POST('/api/courses/{course}/winding-back', path)),
    onSuccess: ({ at }) => {
      void anew();
      notice({
        tone: 'success',
        text: t('frame.woundBack'),
        undo: () =>
          void api
            .POST('/api/courses/{course}/winding-back/undoing', { ...path, body: { at } })
            .then(anew)
            .catch((error: Error) => notice({ tone: 'error', text: error.message })),
      });
    },
  });
}
