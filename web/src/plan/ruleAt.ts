import type { Design, RuleNode, RuleView } from '../api/client';
import type { Place } from './RuleEditor';
import { addTo, askNode } from './ruleTree';
import type { Draft, Edited } from './useDraft';

const stepOf = (design: Design, id: number) =>
  design.modules.flatMap((m) => m.steps).find((s) => s.id === id);
const moduleOf = (design: Design, id: number) => design.modules.find((m) => m.id === id);

/** The rule that stands at a place of the route. */
export function ruleAt(design: Design, at: Place): RuleView | undefined {
  switch (at.place) {
    case 'step-opens':
      return stepOf(design, at.id)?.opensWhen;
    case 'step-done':
      return stepOf(design, at.id)?.doneWhen;
    case 'module-opens':
      return moduleOf(design, at.id)?.opensWhen;
    case 'module-done':
      return moduleOf(design, at.id)?.doneWhen;
    case 'course-complete':
      return design.rules.completeWhen;
    default:
      return undefined;
  }
}

/** Puts a rule at a place of the route. */
export function setRuleAt(
  design: Design,
  draft: Draft,
  at: Place,
  rule: Record<string, unknown> | undefined,
): Promise<Edited> {
  // Rules are sent as they are kept, which the types of the API leave open.
  const as = <T>(field: string) => ({ [field]: rule }) as T;
  const step = stepOf(design, at.id);
  const module = moduleOf(design, at.id);
  if (at.place === 'step-opens' && step) return draft.step(step, as('opensWhen'));
  if (at.place === 'step-done' && step && rule) return draft.step(step, as('doneWhen'));
  if (at.place === 'module-opens' && module) return draft.module(module, as('opensWhen'));
  if (at.place === 'module-done' && module) return draft.module(module, as('doneWhen'));
  if (at.place === 'course-complete') return draft.rules(design.rules, as('completeWhen'));
  return Promise.resolve({});
}

/** The name of a place in a drag, and back. */
export const cellOf = ({ place, id }: Place) => `${place}:${id}`;

export function placeOf(cell: string): Place | undefined {
  const [place, id] = cell.split(':');
  return id === undefined ? undefined : ({ place, id: Number(id) } as Place);
}

/** What has a rule, by the key of its row. */
const rowOf = ({ place, id }: Place) =>
  place.startsWith('step') ? `step-${id}` : place.startsWith('module') ? `module-${id}` : 'course';

/** Whether a row can be dropped on a rule: nothing waits for itself. */
export const mayAsk = (at: Place, row: string) => rowOf(at) !== row;

/** The rule with one more condition: that what was dropped on it is done. */
export function withDone(rule: RuleView | undefined, row: string): RuleNode {
  const [kind, id] = row.split('-');
  const leaf =
    kind === 'module'
      ? { is: 'module-done', module: Number(id) }
      : { is: 'step-done', step: Number(id) };
  return addTo(rule?.root, undefined, askNode({ leaf, subject: '', says: '' }));
}
