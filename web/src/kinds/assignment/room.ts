import { lazy } from 'react';
import type { StepRoom } from '../room';

export const assignment: StepRoom<'assignment'> = {
  text: 'task',
  ties: 'assessed',
  Settings: lazy(() => import('./Settings')),
  Learner: lazy(() => import('./Learner')),
  Marker: lazy(() => import('./Marker')),
  saysWhenDone: true,
  says: ['handedIn', 'waiting', 'passed', 'again'],
  edit: ({ rubric, takes, passesAtOnce }) => ({
    is: 'assignment',
    takes,
    passesAtOnce,
    ...(rubric !== undefined && { rubric }),
  }),
};
