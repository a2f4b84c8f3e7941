import { lazy } from 'react';
import type { StepRoom } from '../room';

export const practical: StepRoom<'practical'> = {
  text: 'task',
  ties: 'assessed',
  Settings: lazy(() => import('./Settings')),
  Learner: lazy(() => import('./Learner')),
  Marker: lazy(() => import('./Marker')),
  saysWhenDone: true,
  says: ['passed', 'again'],
  edit: ({ rubric }) => ({ is: 'practical', ...(rubric !== undefined && { rubric }) }),
};
