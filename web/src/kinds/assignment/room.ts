import { lazy } from 'react';
import type { StepRoom } from '../room';

export const assignment: StepRoom<'assignment'> = {
  text: 'task',
  ties: 'assessed',
  Settings: lazy(() => import('../shared/AssessedSettings')),
  Learner: lazy(() => import('./Learner')),
  Marker: lazy(() => import('./Marker')),
  saysWhenDone: true,
  edit: ({ rubric }) => ({ is: 'assignment', ...(rubric !== undefined && { rubric }) }),
};
