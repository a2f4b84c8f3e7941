import { lazy } from 'react';
import type { StepRoom } from '../room';

export const file: StepRoom<'file'> = {
  text: 'body',
  ties: 'taught',
  Author: { at: 'above', Part: lazy(() => import('./Author')) },
  Learner: lazy(() => import('./Learner')),
  saysWhenDone: false,
  empty: ({ files }) => files.length === 0,
  edit: ({ files }) => ({ is: 'file', files: files.map((f) => f.id) }),
};
