import type {
  BadgeEdit,
  CourseRules,
  CourseRulesEdit,
  DesignBadge,
  DesignFlag,
  DesignModule,
  DesignOutcome,
  DesignStep,
  FlagEdit,
  ModuleEdit,
  OutcomeEdit,
  Rehearsal,
  RehearsalEdit,
  RenewalEdit,
  RuleNode,
  RuleView,
  StepEdit,
  UsualEdit,
  UsualRules,
} from '../api/client';
import { partEdit } from '../kinds/rooms';

/** A rule as it is stored: what people read is left out. */
export function plainRule(node: RuleNode): Record<string, unknown> {
  if (node.is === 'ask') return { is: node.is, id: node.id, leaf: node.leaf };
  const parts = node.parts.map(plainRule);
  if (node.is === 'after') return { is: node.is, id: node.id, days: node.n, part: parts[0] };
  return node.is === 'at-least'
    ? { is: node.is, id: node.id, n: node.n, parts }
    : { is: node.is, id: node.id, parts };
}

const rule = (view: RuleView | undefined) => (view ? plainRule(view.root) : undefined);

type Body<T> = { [K in keyof T]: T[K] };

export const stepEdit = (s: DesignStep): Body<StepEdit> => ({
  name: s.name,
  required: s.required,
  published: s.published,
  ...(s.opensWhen && { opensWhen: rule(s.opensWhen) as StepEdit['opensWhen'] }),
  doneWhen: rule(s.doneWhen) as StepEdit['doneWhen'],
  listed: s.listed,
  tells: s.tells,
  staysOpen: s.staysOpen,
  ...(s.opensAt && { opensAt: s.opensAt }),
  ...(s.dueAt && { dueAt: s.dueAt }),
  ...(s.lateUntil && { lateUntil: s.lateUntil }),
  ...(s.closesAt && { closesAt: s.closesAt }),
  minutes: s.minutes,
  points: s.points,
  passMark: s.passMark,
  attempts: s.attempts,
  counts: s.counts,
  body: s.body,
  part: partEdit(s.kind, s.part),
  evidenceFor: s.evidenceFor,
  groups: s.groups,
  people: s.people,
  allowances: s.allowances,
  ownWords: s.ownWords,
});

export const rehearsalEdit = (r: Rehearsal): Body<RehearsalEdit> => ({
  name: r.name,
  lines: r.lines.map((l) => l.line),
});

export const moduleEdit = (m: DesignModule): Body<ModuleEdit> => ({
  name: m.name,
  published: m.published,
  strictOrder: m.strictOrder,
  ...(m.opensWhen && { opensWhen: rule(m.opensWhen) as ModuleEdit['opensWhen'] }),
  ...(m.doneWhen && { doneWhen: rule(m.doneWhen) as ModuleEdit['doneWhen'] }),
  listed: m.listed,
  tells: m.tells,
  staysOpen: m.staysOpen,
});

export const courseRulesEdit = (r: CourseRules): Body<CourseRulesEdit> => ({
  strictOrder: r.strictOrder,
  ...(r.completeWhen && {
    completeWhen: rule(r.completeWhen) as CourseRulesEdit['completeWhen'],
  }),
  prerequisites: r.prerequisites,
});

export const usualEdit = (u: UsualRules): Body<UsualEdit> => ({
  ...(u.opensWhen && { opensWhen: rule(u.opensWhen) as UsualEdit['opensWhen'] }),
  doneWhen: rule(u.doneWhen) as UsualEdit['doneWhen'],
});

export const flagEdit = (f: DesignFlag): Body<FlagEdit> => ({
  name: f.name,
  flagWhen: rule(f.flagWhen) as FlagEdit['flagWhen'],
});

export const badgeEdit = (b: DesignBadge): Body<BadgeEdit> => ({
  name: b.name,
  description: b.description,
  ...(b.module !== undefined && { module: b.module }),
  picture: b.picture,
  ...(b.earnedWhen && { earnedWhen: rule(b.earnedWhen) as BadgeEdit['earnedWhen'] }),
  surprise: b.surprise,
  lasting: b.lasting,
  soonDays: b.soonDays,
  ...(b.renewal && {
    renewal: {
      anew: b.renewal.anew,
      ...(b.renewal.when && { when: rule(b.renewal.when) as RenewalEdit['when'] }),
    },
  }),
  outcomes: b.outcomes,
  tags: b.tags,
  ...(b.criteria && { criteria: b.criteria }),
  ...(b.sheet && { sheet: b.sheet }),
});

export const outcomeEdit = (o: DesignOutcome): OutcomeEdit => ({
  code: o.code,
  name: o.name,
  description: o.description,
  scale: o.scale,
  levelRule: o.levelRule,
  ...(o.madeOf && { madeOf: o.madeOf }),
  group: o.group,
  retired: o.retired,
});
