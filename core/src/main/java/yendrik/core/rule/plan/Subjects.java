package yendrik.core.rule.plan;

/** Takes down what a probe reads. */
public interface Subjects {
  void step(int step);

  void module(int module);

  void outcome(int outcome);

  void badge(int badge);

  /** This course's completion. */
  void course();

  /** Enrolment, groups, presence and other courses. */
  void person();

  /** Everything about every step, as signals need it. */
  void everything();
}
