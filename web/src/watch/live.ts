import type { Report } from '../api/client';
import { report } from '../api/queries';
import type { LiveRows } from '../ui/rows';

const live = (kind: Report['is'], ofOne: string[]): LiveRows => ({
  kind,
  ofOne,
  fetch: (course, people) => report(course, kind, people),
});

/** The grids of learners, of which single rows can be fetched. */
export const liveProgress = live('progress', ['learner', 'bead']);
export const liveMastery = live('mastery', ['cell']);
export const liveGrades = live('grades', ['bead']);
export const liveCompletion = live('completion', ['bead']);
