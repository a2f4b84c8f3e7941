import { api, body } from '../api/client';
import type { LiveRows } from '../ui/rows';

/** The grids of learners, of which single rows can be fetched. */
export const liveProgress: LiveRows = {
  kind: 'progress',
  ofOne: ['learner', 'bead'],
  fetch: (course, people) =>
    body(
      api.GET('/api/courses/{course}/progress', {
        params: { path: { course }, query: { people } },
      }),
    ),
};

export const liveMastery: LiveRows = {
  kind: 'mastery',
  ofOne: ['cell'],
  fetch: (course, people) =>
    body(
      api.GET('/api/courses/{course}/mastery', { params: { path: { course }, query: { people } } }),
    ),
};

export const liveGrades: LiveRows = {
  kind: 'grades',
  ofOne: ['bead'],
  fetch: (course, people) =>
    body(
      api.GET('/api/courses/{course}/grades', { params: { path: { course }, query: { people } } }),
    ),
};
