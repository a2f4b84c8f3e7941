import { useQueryClient } from '@tanstack/react-query';
import { api, body, type ExceptionEdit } from '../api/client';
import { useCourse } from '../frame/course';
import { useActKey } from '../ui/useActKey';
import { exceptionsChanged } from './exceptionsChanged';

/** Sends an exception for learners, once however often it is asked for; what shows it is fresh then. */
export function useSendException() {
  const course = useCourse();
  const client = useQueryClient();
  const once = useActKey();
  return async (learners: number[], exception: ExceptionEdit) => {
    const sent = { learners, exception };
    const done = await body(
      api.POST('/api/courses/{course}/exceptions', {
        params: { path: { course: course.id } },
        headers: once.headers(sent),
        body: sent,
      }),
    );
    once.renew();
    exceptionsChanged(client, course.id);
    return done;
  };
}
