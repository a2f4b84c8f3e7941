import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, type ExceptionsGiven } from '../api/client';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { exceptionsChanged } from './exceptionsChanged';

/** Takes back what was given just now, as if it had never been; what followed from it goes. */
export function useTakingBack() {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const { mutate } = useMutation({
    mutationFn: async (given: ExceptionsGiven['given']) => {
      for (const { enrolment, fact } of given)
        await api.DELETE('/api/courses/{course}/learners/{enrolment}/exceptions/{fact}', {
          params: { path: { course: course.id, enrolment, fact } },
        });
    },
    onSuccess: () => notice({ tone: 'success', text: t('watch.exceptionTakenBack') }),
    onError: (e) => notice({ tone: 'error', text: e.message }),
    onSettled: () => exceptionsChanged(client, course.id),
  });
  return mutate;
}
