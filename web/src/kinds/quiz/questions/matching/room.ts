import { newId } from '../../../../ui/ids';
import type { QuestionRoom } from '../room';
import { Ask } from './Ask';
import { Review } from './Review';
import { Write } from './Write';

export const matching: QuestionRoom<'matching'> = {
  fresh: () => ({
    is: 'matching',
    pairs: [
      { id: newId(), begins: '', ends: '' },
      { id: newId(), begins: '', ends: '' },
    ],
    more: [],
  }),
  Write,
  Ask,
  Review,
};
