import type { StepRoom } from '../room';

export const page: StepRoom<'page'> = {
  text: 'body',
  ties: 'taught',
  saysWhenDone: false,
  edit: () => ({ is: 'page' }),
};
