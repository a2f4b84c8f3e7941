import type { StepRoom } from '../room';

export const page: StepRoom<'page'> = {
  name: 'Page',
  begin: 'Read',
  text: 'body',
  ties: 'taught',
  saysWhenDone: false,
  edit: () => ({ is: 'page' }),
};
