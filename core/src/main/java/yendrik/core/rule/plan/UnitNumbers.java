package yendrik.core.rule.plan;

import yendrik.core.course.CourseIndex;

/**
 * Numbers for what is worked out for a learner, the <em>units</em> of a course: each step, the
 * opening of each module (its <em>door</em>) and its being done, each badge, the course, and all
 * flags together. A unit is worked out from facts and other units, its <em>subjects</em>; outcomes,
 * the person and the facts of single steps are subjects too.
 */
public final class UnitNumbers {
  /** What a unit is about. */
  public enum Kind {
    STEP,
    DOOR,
    MODULE,
    BADGE,
    COURSE,
    FLAGS
  }

  private final int steps;
  private final int modules;
  private final int badges;
  private final int outcomes;

  UnitNumbers(CourseIndex index) {
    steps = index.steps();
    modules = index.modules();
    badges = index.badges();
    outcomes = index.outcomes();
  }

  /** Whether a step is open, and whether it is done. */
  public int step(int step) {
    return step;
  }

  /** Whether a module is open. */
  public int door(int module) {
    return steps + module;
  }

  /** Whether a module is done. */
  public int module(int module) {
    return steps + modules + module;
  }

  public int badge(int badge) {
    return steps + 2 * modules + badge;
  }

  public int course() {
    return steps + 2 * modules + badges;
  }

  public int flags() {
    return course() + 1;
  }

  /** How many there are. */
  public int all() {
    return flags() + 1;
  }

  public Kind kind(int unit) {
    if (unit < steps) return Kind.STEP;
    if (unit < module(0)) return Kind.DOOR;
    if (unit < badge(0)) return Kind.MODULE;
    if (unit < course()) return Kind.BADGE;
    return unit == course() ? Kind.COURSE : Kind.FLAGS;
  }

  /** The number of the step, module or badge that a unit is about. */
  public int about(int unit) {
    return switch (kind(unit)) {
      case STEP -> unit;
      case DOOR -> unit - door(0);
      case MODULE -> unit - module(0);
      case BADGE -> unit - badge(0);
      case COURSE, FLAGS -> 0;
    };
  }

  /** What an outcome's evidence comes to. */
  public int outcome(int outcome) {
    return all() + outcome;
  }

  /** Enrolment, groups, presence and other courses. */
  public int person() {
    return all() + outcomes;
  }

  /** The facts about a step, without what is worked out for it. */
  public int factsOf(int step) {
    return person() + 1 + step;
  }

  int subjects() {
    return factsOf(steps);
  }
}
