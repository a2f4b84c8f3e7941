import { describe, expect, it } from 'vitest';
import type { DesignOutcome, DesignStep, StepKind } from '../api/client';
import * as fixtures from '../test/fixtures';
import { counts, sources, tieOf, toggled } from './coverage';

const step = (id: number, kind: StepKind, ...outcomes: number[]) =>
  fixtures.step(id, kind, { evidenceFor: outcomes.map((of) => ({ outcome: of, weight: 2 })) });
const outcome = (id: number, ...parts: number[]) =>
  fixtures.outcome(id, `O${id}`, parts.length > 0 ? { madeOf: { how: 'ALL', n: 1, parts } } : {});
const design = (outcomes: DesignOutcome[], ...steps: DesignStep[]) =>
  fixtures.design({ outcomes, modules: [fixtures.module(1, steps)] });

describe('coverage', () => {
  const page = step(1, 'PAGE', 1);
  const quiz = step(2, 'QUIZ', 1, 2);

  it('takes pages for teaching and everything else for assessing', () => {
    const d = design([outcome(1)], page, quiz);
    expect(tieOf(d, outcome(1), page)).toBe('taught');
    expect(tieOf(d, outcome(1), quiz)).toBe('assessed');
    expect(tieOf(d, outcome(3), quiz)).toBe('none');
    expect(counts(d, outcome(1))).toEqual({ taught: 1, assessed: 1 });
  });

  it('covers an outcome made of others through its parts, each step once', () => {
    const whole = outcome(9, 1, 2);
    const d = design([whole, outcome(1), outcome(2)], page, quiz);
    expect(tieOf(d, whole, quiz)).toBe('parts');
    expect(counts(d, whole)).toEqual({ taught: 1, assessed: 1 });
  });

  it('does not run for ever on an outcome made of itself', () => {
    const a = outcome(1, 2);
    const b = outcome(2, 1);
    expect(sources(design([a, b]), a)).toEqual([]);
  });

  it('ties with weight 1 and unties without touching the other ties', () => {
    expect(toggled(quiz, 5)).toEqual([
      { outcome: 1, weight: 2 },
      { outcome: 2, weight: 2 },
      { outcome: 5, weight: 1 },
    ]);
    expect(toggled(quiz, 1)).toEqual([{ outcome: 2, weight: 2 }]);
  });
});
