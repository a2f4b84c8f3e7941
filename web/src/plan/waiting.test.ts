import { describe, expect, it } from 'vitest';
import type { Progress } from '../api/client';
import { design, module, rule, step } from '../test/fixtures';
import { waiting } from './waiting';

const course = design({
  modules: [
    {
      ...module(1, [step(11, 'PAGE'), step(12, 'PAGE', { opensWhen: rule('11 done') })]),
      opensWhen: rule('3 days'),
    },
  ],
});
const of = (...threads: string[]) =>
  waiting(course, {
    steps: [{ id: 11 }, { id: 12 }],
    learners: threads.map((thread) => ({ thread })),
  } as unknown as Progress);

describe('who waits at a knot', () => {
  it('is who has it closed, at a module all of it', () => {
    expect(of('88', 'L8', 'L<').get('step-12')).toBe(2);
    expect(of('88', 'L8', 'L<').get('module-1')).toBe(1);
  });

  it('is nobody at what is extra', () => {
    const extra = design({
      modules: [module(1, [step(11, 'PAGE', { opensWhen: rule('x'), required: false })])],
    });
    expect(waiting(extra, undefined).size).toBe(0);
    const progress = { steps: [{ id: 11 }], learners: [{ thread: '8' }] } as unknown as Progress;
    expect(waiting(extra, progress).has('step-11')).toBe(false);
  });

  it('is nobody at a step without a rule, nor before anybody learns', () => {
    expect(of('88').has('step-11')).toBe(false);
    expect(waiting(course, undefined).size).toBe(0);
  });
});
