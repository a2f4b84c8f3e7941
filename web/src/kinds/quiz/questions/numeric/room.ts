import type { QuestionRoom } from '../room';
import { Ask } from './Ask';
import { Review } from './Review';
import { Write } from './Write';

export const numeric: QuestionRoom<'numeric'> = {
  fresh: () => ({ is: 'numeric', tolerance: 0, percent: false, unit: '' }),
  Write,
  Ask,
  Review,
};
