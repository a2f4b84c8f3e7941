import type { Mastery } from '../api/client';

export type MasteryRow = Mastery['learners'][number];
export type OutcomeHead = Mastery['outcomes'][number];

/** The level of a learner on an outcome, -1 without evidence. */
export const levelOf = (row: MasteryRow, outcome: number) => row.levels[String(outcome)] ?? -1;

export interface Spread {
  /** How many learners stand at each level, weakest first. */
  at: number[];
  none: number;
  /** Share at mastery among all, 0 to 1. */
  mastery: number;
}

/** How learners spread over the levels of an outcome. */
export function spread(rows: MasteryRow[], outcome: OutcomeHead): Spread {
  const at = outcome.levels.map(() => 0);
  let none = 0;
  let mastered = 0;
  for (const row of rows) {
    const level = levelOf(row, outcome.id);
    if (level < 0) none++;
    else at[level] = (at[level] ?? 0) + 1;
    if (level >= outcome.mastery) mastered++;
  }
  return { at, none, mastery: rows.length === 0 ? 0 : mastered / rows.length };
}
