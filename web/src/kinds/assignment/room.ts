import { lazy } from 'react';
import type { StepRoom } from '../room';

export const assignment: StepRoom<'assignment'> = {
  text: 'task',
  ties: 'assessed',
  Settings: lazy(() => import('../shared/AssessedSettings')),
  Learner: lazy(() => import('./Learner')),
  saysWhenDone: true,
  edit: ({ rubric }) => ({ is: 'assignment', ...(rubric !== undefined && { rubric }) }),
};
