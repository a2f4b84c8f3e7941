import type { Design, DesignOutcome, DesignStep } from '../api/client';
import { room } from '../kinds/rooms';

/** What a step does for an outcome. */
export type Tie = 'none' | 'taught' | 'assessed' | 'parts';

const does = (step: DesignStep): Tie => room(step.kind).ties;

const tied = (step: DesignStep, outcome: number) =>
  step.evidenceFor.some((tie) => tie.outcome === outcome);

/** The outcomes whose evidence an outcome rests on: itself, or its parts in the end. */
export function sources(
  design: Design,
  outcome: DesignOutcome,
  seen = new Set<number>(),
): number[] {
  if (seen.has(outcome.id)) return [];
  seen.add(outcome.id);
  if (!outcome.madeOf) return [outcome.id];
  return outcome.madeOf.parts.flatMap((id) => {
    const part = design.outcomes.find((o) => o.id === id);
    return part ? sources(design, part, seen) : [];
  });
}

export function tieOf(design: Design, outcome: DesignOutcome, step: DesignStep): Tie {
  if (outcome.madeOf)
    return sources(design, outcome).some((id) => tied(step, id)) ? 'parts' : 'none';
  return tied(step, outcome.id) ? does(step) : 'none';
}

export interface Counts {
  taught: number;
  assessed: number;
}

/** At how many steps an outcome, or what it is made of, is taught and assessed. */
export function counts(design: Design, outcome: DesignOutcome): Counts {
  const of = new Set(sources(design, outcome));
  const all = design.modules
    .flatMap((m) => m.steps)
    .filter((s) => s.evidenceFor.some((tie) => of.has(tie.outcome)));
  return {
    taught: all.filter((s) => does(s) === 'taught').length,
    assessed: all.filter((s) => does(s) === 'assessed').length,
  };
}

/** The ties of a step with one added or taken away; a new tie weighs 1. */
export function toggled(step: DesignStep, outcome: number): DesignStep['evidenceFor'] {
  return tied(step, outcome)
    ? step.evidenceFor.filter((tie) => tie.outcome !== outcome)
    : [...step.evidenceFor, { outcome, weight: 1 }];
}
