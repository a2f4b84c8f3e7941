import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { useActKey } from '../ui/useActKey';
import { exceptionsChanged } from './exceptionsChanged';
import { useTakingBack } from './useTakingBack';

/** What is given by one click, without a reason. */
export type AtOnce = 'OPEN' | 'ADD_ATTEMPTS';

/** Gives a learner an exception at a step at once; the notice takes it back. */
export function useGiving(bead: { enrolment: number; step: number }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const once = useActKey();
  const takeBack = useTakingBack();
  return useMutation({
    mutationFn: (kind: AtOnce) => {
      const sent = {
        learners: [bead.enrolment],
        exception: { kind, reason: '', step: bead.step },
      };
      return body(
        api.POST('/api/courses/{course}/exceptions', {
          params: { path: { course: course.id } },
          headers: once.headers(sent),
          body: sent,
        }),
      );
    },
    onSuccess: ({ given, left }) => {
      once.renew();
      exceptionsChanged(client, course.id);
      const [refused] = left;
      notice(
        refused
          ? { tone: 'error', text: refused.why }
          : {
              tone: 'success',
              text: t('watch.exceptionDone'),
              undo: () => takeBack(given),
            },
      );
    },
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
}
