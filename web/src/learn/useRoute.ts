import { useQuery } from '@tanstack/react-query';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import type { WalkName } from '../kinds/room';
import { useLive } from '../ui/useLive';

/** A learner's way through the course, as it is by now: whoever marks or opens something shows here. */
export function useRoute(walk: WalkName) {
  const course = useCourse();
  useLive(course.id, ['route']);
  return useQuery(queries.route(course.id, walk));
}
