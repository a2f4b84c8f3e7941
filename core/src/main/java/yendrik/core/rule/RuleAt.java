package yendrik.core.rule;

import yendrik.core.id.BadgeId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;

/** The place in a course at which a rule stands. */
public sealed interface RuleAt {
  record StepOpens(StepId step) implements RuleAt {}

  record StepDone(StepId step) implements RuleAt {}

  record ModuleOpens(ModuleId module) implements RuleAt {}

  record ModuleDone(ModuleId module) implements RuleAt {}

  record BadgeEarned(BadgeId badge) implements RuleAt {}

  /** How a badge that ends is earned again; asks what happened since its last award. */
  record BadgeRenewed(BadgeId badge) implements RuleAt {}

  record CourseComplete() implements RuleAt {}

  /** How an outcome is made of others. */
  record OutcomeMade(OutcomeId outcome) implements RuleAt {}

  record FlagRaised(FlagId flag) implements RuleAt {}
}
