import type { WrittenPart } from '../../../api/client';
import { choice } from './choice/room';
import { gaps } from './gaps/room';
import { matching } from './matching/room';
import { numeric } from './numeric/room';
import { open } from './open/room';
import { ordering } from './ordering/room';
import { place } from './place/room';
import type { AnyQuestionRoom } from './room';
import { several } from './several/room';
import { short } from './short/room';
import { statement } from './statement/room';

export type QuestionKind = WrittenPart['is'];

/** Every kind of question, in the order in which they are offered. */
const all = {
  choice,
  several,
  'true-false': statement,
  matching,
  ordering,
  short,
  gaps,
  numeric,
  place,
  open,
} satisfies Record<QuestionKind, unknown>;

export const questionKinds = Object.keys(all) as QuestionKind[];

export const questionRoom = (kind: QuestionKind) => all[kind] as unknown as AnyQuestionRoom;
