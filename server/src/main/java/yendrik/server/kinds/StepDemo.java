package yendrik.server.kinds;

import yendrik.core.course.StepKind;
import yendrik.server.design.AuthorEdit;

/** A kind of step in the demo. */
public interface StepDemo {
  StepKind kind();

  /** What a designer of the demo writes into a step, beyond its text. */
  AuthorEdit written(DemoScript script);

  /**
   * Does a step as somebody does who passes.
   *
   * @param ability 0 to 1
   */
  void doStep(DemoLearner by, String step, double ability);
}
