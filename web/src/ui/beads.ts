import type { StepState } from '../api/client';

const STATES: StepState[] = [
  'NOT_FOR_THEM',
  'UNPUBLISHED',
  'CLOSED',
  'OPEN',
  'BEGUN',
  'WAITING',
  'AGAIN',
  'DONE',
  'MISSED',
  'EXCUSED',
];
const FIRST = '0'.charCodeAt(0);

export interface BeadState {
  state: StepState;
  overdue: boolean;
  outOfReach: boolean;
}

/** Reads one letter of a thread as the server writes it: four letters for each state. */
export function readBead(letter: string): BeadState {
  const code = letter.charCodeAt(0) - FIRST;
  const state = STATES[code >> 2];
  if (!state) throw new Error(`no bead is written '${letter}'`);
  return { state, overdue: (code & 1) === 1, outOfReach: (code & 2) === 2 };
}

export const readThread = (thread: string): BeadState[] => Array.from(thread, readBead);
