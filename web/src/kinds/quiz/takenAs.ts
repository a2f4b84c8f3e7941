import type { DesignStep, StepEdit, Taking } from '../../api/client';
import { newId } from '../../ui/ids';
import type { AuthorProps } from '../room';

/**
 * What changes of a step with how its quiz is taken. Nothing of a check of one's own counts, so that
 * it gives evidence of nothing.
 */
export function takenAs(
  step: DesignStep,
  part: AuthorProps<'quiz'>['part'],
  next: Taking,
): Partial<StepEdit> {
  if (next.selfCheck === part.taking.selfCheck) return { part: { ...part, taking: next } };
  if (!next.selfCheck)
    return { part: { ...part, taking: next }, ...doneBy(step, ['attempted'], 'passed') };
  const questions = part.questions.map(({ outcome: _, ...q }) => q);
  return {
    part: { ...part, questions, taking: next },
    attempts: 0,
    evidenceFor: [],
    ...doneBy(step, ['passed', 'score'], 'attempted'),
  };
}

/** Nobody passes a check of their own: its usual rule goes with the switch, any other one stays. */
function doneBy(step: DesignStep, from: string[], to: 'passed' | 'attempted') {
  const { leaf } = step.doneWhen.root;
  if (!leaf || !from.includes(`${leaf.is}`) || leaf.step !== step.id) return {};
  const asked = to === 'passed' ? { is: to, step: step.id } : { is: to, step: step.id, times: 1 };
  return { doneWhen: { is: 'ask', id: newId(), leaf: asked } as unknown as StepEdit['doneWhen'] };
}
