import type { QuestionRoom } from '../room';
import { Ask } from './Ask';
import { Review } from './Review';
import { Write } from './Write';

export const short: QuestionRoom<'short'> = {
  fresh: () => ({ is: 'short', forms: [{ words: '', share: 1 }], withCase: false }),
  Write,
  Ask,
  Review,
};
