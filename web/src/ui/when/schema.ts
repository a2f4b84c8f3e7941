import * as z from 'zod/mini';
import { isStandard, type WhenKind } from './standard';

/** A date or a time as its field hands it on, or nothing. */
export const when = (kind: WhenKind) =>
  z
    .string()
    .check(
      z.refine((it) => it === '' || isStandard(it, kind), { params: { time: kind === 'time' } }),
    );

/** The same, which must not be empty. */
export const filledWhen = (kind: WhenKind) => when(kind).check(z.minLength(1));
