import type { QuestionRoom } from '../room';
import { Ask } from './Ask';
import { Review } from './Review';
import { Write } from './Write';

export const place: QuestionRoom<'place'> = {
  fresh: () => ({ is: 'place', described: '', areas: [] }),
  Write,
  Ask,
  Review,
};
