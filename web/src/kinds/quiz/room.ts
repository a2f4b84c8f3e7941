import { lazy } from 'react';
import type { StepRoom } from '../room';

export const quiz: StepRoom<'quiz'> = {
  ties: 'assessed',
  Author: { at: 'below', Part: lazy(() => import('./Author')) },
  Settings: lazy(() => import('./Settings')),
  Learner: lazy(() => import('./Learner')),
  Marker: lazy(() => import('./Marker')),
  saysWhenDone: true,
  says: ['passed', 'again'],
  empty: ({ questions, draws }) => questions.length + draws.length === 0,
  edit: ({ questions, draws, taking }) => ({ is: 'quiz', questions, draws, taking }),
};
