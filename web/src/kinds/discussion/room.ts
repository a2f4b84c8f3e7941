import { lazy } from 'react';
import type { StepRoom } from '../room';

export const discussion: StepRoom<'discussion'> = {
  text: 'task',
  ties: 'assessed',
  Settings: lazy(() => import('./Settings')),
  Learner: lazy(() => import('./Learner')),
  Marker: lazy(() => import('../shared/WrittenMarker')),
  saysWhenDone: true,
  says: ['passed', 'again'],
  edit: ({ rubric, byGroup, postFirst, minutes }) => ({
    is: 'discussion',
    byGroup,
    postFirst,
    minutes,
    ...(rubric !== undefined && { rubric }),
  }),
};
