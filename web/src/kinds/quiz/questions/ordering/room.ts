import { newId } from '../../../../ui/ids';
import type { QuestionRoom } from '../room';
import { Ask } from './Ask';
import { Review } from './Review';
import { Write } from './Write';

export const ordering: QuestionRoom<'ordering'> = {
  fresh: () => ({
    is: 'ordering',
    things: [
      { id: newId(), text: '' },
      { id: newId(), text: '' },
      { id: newId(), text: '' },
    ],
    inPart: true,
  }),
  Write,
  Ask,
  Review,
};
