import type { StepRoom } from '../room';

export const note: StepRoom<'note'> = {
  text: 'body',
  ties: 'taught',
  saysWhenDone: false,
  edit: () => ({ is: 'note' }),
};
