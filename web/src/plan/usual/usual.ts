import type { Design, DesignStep, RuleNode, UsualRules } from '../../api/client';
import { plainRule } from '../edits';
import type { RuleField } from '../several/useSeveral';

/** What is usual for steps of a kind in the course. */
export const usualOf = (design: Design, kind: DesignStep['kind']): UsualRules | undefined =>
  design.usual.find((u) => u.kind === kind);

/** Whether a step has the rule that is usual for its kind: as text both speak of "this step". */
export const isUsual = (design: Design, step: DesignStep, field: RuleField): boolean =>
  step[field]?.text === usualOf(design, step.kind)?.[field]?.text;

/** The steps of a kind that have a rule, whether it is the usual one or not. */
export const stepsWith = (
  design: Design,
  kind: DesignStep['kind'],
  field: RuleField,
  text: string | undefined,
): DesignStep[] =>
  design.modules.flatMap((m) => m.steps).filter((s) => s.kind === kind && s[field]?.text === text);

/** A rule of a step as it is kept for all of its kind: what asks about the step asks about any. */
export function sampleAsked(node: RuleNode, step: number, sample: number): Record<string, unknown> {
  return asked(plainRule(node), step, sample);
}

function asked(
  node: Record<string, unknown>,
  step: number,
  sample: number,
): Record<string, unknown> {
  const { leaf, parts, part } = node as {
    leaf?: Record<string, unknown>;
    parts?: Record<string, unknown>[];
    part?: Record<string, unknown>;
  };
  return {
    ...node,
    ...(leaf?.step === step && { leaf: { ...leaf, step: sample } }),
    ...(parts && { parts: parts.map((p) => asked(p, step, sample)) }),
    ...(part && { part: asked(part, step, sample) }),
  };
}
