import { lazy } from 'react';
import type { StepRoom } from '../room';

export const link: StepRoom<'link'> = {
  text: 'body',
  ties: 'taught',
  Author: { at: 'above', Part: lazy(() => import('./Author')) },
  Learner: lazy(() => import('./Learner')),
  saysWhenDone: false,
  empty: ({ address }) => address === '',
  edit: ({ address }) => ({ is: 'link', address }),
};
