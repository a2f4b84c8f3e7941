import type { StepRoom } from '../room';

export const note: StepRoom<'note'> = {
  name: 'Note',
  begin: 'Read',
  text: 'body',
  ties: 'taught',
  saysWhenDone: false,
  edit: () => ({ is: 'note' }),
};
