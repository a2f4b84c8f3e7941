import * as z from 'zod/mini';
import type { CrowdEdit } from '../../api/client';
import { number, whole } from '../../ui/useFields';

const share = (least: number, most: number) =>
  z.pipe(number(), z.number().check(z.gte(least), z.lte(most)));

/** Who is to walk, with shares in percent as they are typed. */
export const crowdSchema = z.object({
  learners: whole(1, 5000),
  weeks: whole(1, 156),
  seed: whole(0, 1_000_000),
  asBefore: z.boolean(),
  ability: share(0, 100),
  spread: share(0, 50),
  perWeek: share(0.1, 100),
  paceSpread: share(1, 10),
  stopping: share(0, 50),
  staffDays: share(0, 100),
  attendance: share(0, 100),
});

const SHARES = ['ability', 'spread', 'stopping', 'attendance'] as const;

const times = (edit: CrowdEdit, by: (share: number) => number): CrowdEdit => ({
  ...edit,
  ...Object.fromEntries(SHARES.map((name) => [name, by(edit[name])])),
});

/** As it stands in the form. */
export const inPercents = (edit: CrowdEdit) => times(edit, (s) => Math.round(s * 1000) / 10);

/** As it is sent. */
export const inShares = (edit: CrowdEdit) => times(edit, (p) => p / 100);
