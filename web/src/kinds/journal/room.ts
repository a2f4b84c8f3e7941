import { lazy } from 'react';
import type { StepRoom } from '../room';

export const journal: StepRoom<'journal'> = {
  text: 'task',
  ties: 'assessed',
  Settings: lazy(() => import('./Settings')),
  Learner: lazy(() => import('./Learner')),
  Marker: lazy(() => import('../shared/WrittenMarker')),
  saysWhenDone: true,
  says: ['passed', 'again'],
  edit: ({ rubric, minutes }) => ({
    is: 'journal',
    minutes,
    ...(rubric !== undefined && { rubric }),
  }),
};
