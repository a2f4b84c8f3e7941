import { lazy } from 'react';
import type { StepRoom } from '../room';

export const closing: StepRoom<'closing'> = {
  text: 'body',
  ties: 'taught',
  Learner: lazy(() => import('./Learner')),
  saysWhenDone: false,
  edit: () => ({ is: 'closing' }),
};
