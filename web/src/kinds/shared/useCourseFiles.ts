import { useMemo } from 'react';
import { api, body } from '../../api/client';
import type { FileDoor } from '../../ui/editor/useSending';

/** The files of a course for those who plan it. */
export function useCourseFiles(course: number): FileDoor {
  return useMemo(
    () => ({
      address: (file) => `/api/courses/${course}/design/files/${file}`,
      keep: (upload, use) =>
        body(
          api.POST('/api/courses/{course}/design/files', {
            params: { path: { course } },
            body: { upload, use },
          }),
        ),
    }),
    [course],
  );
}
