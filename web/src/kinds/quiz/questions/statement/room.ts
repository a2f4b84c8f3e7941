import type { QuestionRoom } from '../room';
import { Ask } from './Ask';
import { Review } from './Review';
import { Write } from './Write';

export const statement: QuestionRoom<'true-false'> = {
  fresh: () => ({ is: 'true-false', isTrue: true }),
  Write,
  Ask,
  Review,
};
