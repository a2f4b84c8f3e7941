import { newId } from '../../../../ui/ids';
import type { QuestionRoom } from '../room';
import { Ask } from './Ask';
import { Review } from './Review';
import { Write } from './Write';

export const choice: QuestionRoom<'choice'> = {
  fresh: () => {
    const [a, b] = [newId(), newId()];
    return {
      is: 'choice',
      choices: [
        { id: a, text: '' },
        { id: b, text: '' },
      ],
      right: a,
    };
  },
  Write,
  Ask,
  Review,
};
