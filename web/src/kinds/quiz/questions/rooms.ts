import type { WrittenPart } from '../../../api/client';
import { choice } from './choice/room';
import type { AnyQuestionRoom } from './room';

type Kind = WrittenPart['is'];

/** Every kind of question, in the order in which they are offered. */
const all = { choice } satisfies Record<Kind, unknown>;

export const questionRoom = (kind: Kind) => all[kind] as unknown as AnyQuestionRoom;
