import type { AuthorEdit, AuthorPart, StepKind } from '../api/client';
import { assignment } from './assignment/room';
import { closing } from './closing/room';
import { discussion } from './discussion/room';
import { file } from './file/room';
import { journal } from './journal/room';
import { link } from './link/room';
import { note } from './note/room';
import { page } from './page/room';
import { practical } from './practical/room';
import { quiz } from './quiz/room';
import type { AnyRoom } from './room';
import { video } from './video/room';

/** Every kind of step, in the order in which they are offered. */
const all = {
  PAGE: page,
  VIDEO: video,
  QUIZ: quiz,
  ASSIGNMENT: assignment,
  PRACTICAL: practical,
  NOTE: note,
  FILE: file,
  LINK: link,
  DISCUSSION: discussion,
  JOURNAL: journal,
  CLOSING: closing,
} satisfies Record<StepKind, unknown>;

export const kinds = Object.keys(all) as StepKind[];

export const room = (kind: StepKind) => all[kind] as unknown as AnyRoom;

/** The part of a step as it is sent. */
export const partEdit = (kind: StepKind, part: AuthorPart) =>
  room(kind).edit(part as never) as AuthorEdit;
