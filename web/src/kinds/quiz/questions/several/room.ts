import { newId } from '../../../../ui/ids';
import type { QuestionRoom } from '../room';
import { Ask } from './Ask';
import { Review } from './Review';
import { Write } from './Write';

export const several: QuestionRoom<'several'> = {
  fresh: () => ({
    is: 'several',
    choices: [
      { id: newId(), text: '', share: 0.5 },
      { id: newId(), text: '', share: 0.5 },
      { id: newId(), text: '', share: 0 },
    ],
  }),
  Write,
  Ask,
  Review,
};
