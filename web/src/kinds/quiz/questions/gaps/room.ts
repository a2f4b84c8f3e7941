import type { QuestionRoom } from '../room';
import { Ask } from './Ask';
import { Review } from './Review';
import { Write } from './Write';

export const gaps: QuestionRoom<'gaps'> = {
  fresh: () => ({ is: 'gaps', source: '', withCase: false }),
  Write,
  Ask,
  Review,
};
