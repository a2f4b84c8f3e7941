package yendrik.core.rule.look;

/** Takes down what a probe reads. */
public interface Subjects {
  /** The facts about a step and what is worked out for it. */
  void step(int step);

  /** The facts about a step only, so that what is worked out for it is not waited for. */
  void factsOf(int step);

  /** Whether a module is done. */
  void module(int module);

  void outcome(int outcome);

  void badge(int badge);

  /** This course's completion. */
  void course();

  /** Enrolment, groups, presence and other courses. */
  void person();
}
