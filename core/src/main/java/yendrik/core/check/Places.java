package yendrik.core.check;

import yendrik.core.course.CourseIndex;
import yendrik.core.rule.RuleAt;

/**
 * Numbers for all that a learner can reach: each step's opening and being done, the same of each
 * module, each badge, the course.
 */
final class Places {
  private final CourseIndex index;
  private final int steps;
  private final int modules;
  private final int badges;

  Places(CourseIndex index) {
    this.index = index;
    steps = index.steps();
    modules = index.modules();
    badges = index.badges();
  }

  int opens(int step) {
    return step;
  }

  int done(int step) {
    return steps + step;
  }

  int door(int module) {
    return 2 * steps + module;
  }

  int module(int module) {
    return 2 * steps + modules + module;
  }

  int badge(int badge) {
    return 2 * (steps + modules) + badge;
  }

  int course() {
    return badge(badges);
  }

  int all() {
    return course() + 1;
  }

  /** The rule by which a place is reached. */
  RuleAt at(int place) {
    if (place < steps) return new RuleAt.StepOpens(index.step(place).id());
    if (place < door(0)) return new RuleAt.StepDone(index.step(place - steps).id());
    if (place < module(0)) return new RuleAt.ModuleOpens(index.module(place - door(0)).id());
    if (place < badge(0)) return new RuleAt.ModuleDone(index.module(place - module(0)).id());
    if (place < course()) return new RuleAt.BadgeEarned(index.badge(place - badge(0)).id());
    return new RuleAt.CourseComplete();
  }

  /** The place of a rule, -1 for one that brings nobody anywhere. */
  int of(RuleAt at) {
    return switch (at) {
      case RuleAt.StepOpens r -> opens(index.number(r.step()));
      case RuleAt.StepDone r -> done(index.number(r.step()));
      case RuleAt.ModuleOpens r -> door(index.number(r.module()));
      case RuleAt.ModuleDone r -> module(index.number(r.module()));
      case RuleAt.BadgeEarned r -> badge(index.number(r.badge()));
      case RuleAt.CourseComplete _ -> course();
      case RuleAt.BadgeRenewed _, RuleAt.OutcomeMade _, RuleAt.FlagRaised _ -> -1;
    };
  }

  /** Where a thing comes in the course: modules before their steps, badges and the course last. */
  int turn(int place) {
    if (place < door(0)) return 2 * (place % Math.max(1, steps)) + 1;
    if (place < badge(0)) {
      int m = (place - door(0)) % Math.max(1, modules);
      return place < module(0) ? 2 * index.firstStep(m) : 2 * index.firstStep(m + 1);
    }
    return 2 * steps + 1 + place - badge(0);
  }
}
