import type { QuestionRoom } from '../room';
import { Ask } from './Ask';
import { Review } from './Review';
import { Write } from './Write';

export const open: QuestionRoom<'open'> = {
  fresh: () => ({ is: 'open', expected: '' }),
  Write,
  Ask,
  Review,
};
