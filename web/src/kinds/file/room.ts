import { lazy } from 'react';
import type { StepRoom } from '../room';

export const file: StepRoom<'file'> = {
  text: 'body',
  ties: 'taught',
  Author: { at: 'above', Part: lazy(() => import('./Author')) },
  Learner: lazy(() => import('./Learner')),
  saysWhenDone: false,
  edit: ({ files }) => ({ is: 'file', files: files.map((f) => f.id) }),
};
