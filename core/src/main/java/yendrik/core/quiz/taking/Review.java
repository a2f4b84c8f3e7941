package yendrik.core.quiz.taking;

/**
 * What learners may look at again, and when.
 *
 * @param own what they answered
 * @param right the right answers
 * @param feedback what is said about their answers
 * @param marks which answers were right, and the points of each
 */
public record Review(When own, When right, When feedback, When marks) {
  /** Right answers only once nothing more can be gained from knowing them. */
  public static final Review USUAL =
      new Review(When.AFTER_ATTEMPT, When.NOTHING_TO_GAIN, When.AFTER_ATTEMPT, When.AFTER_ATTEMPT);

  /** Everything as soon as a question was answered. */
  public static final Review AT_ONCE =
      new Review(When.AT_ONCE, When.AT_ONCE, When.AT_ONCE, When.AT_ONCE);

  /** From when on something may be looked at. */
  public enum When {
    /** As soon as the question is answered, which settles its answer. */
    AT_ONCE,
    AFTER_ATTEMPT,
    /** Once no attempt can raise what counts. */
    NOTHING_TO_GAIN,
    /** Once nothing can be handed in any more. */
    CLOSED,
    PASSED,
    NEVER
  }

  /**
   * Where a learner stands with the quiz.
   *
   * @param finished whether the attempt that is looked at is finished
   */
  public record Standing(boolean finished, boolean nothingToGain, boolean closed, boolean passed) {
    /** In the middle of an attempt. */
    public static final Standing DURING = new Standing(false, false, false, false);
  }

  /** What may be looked at. */
  public record Allowed(boolean own, boolean right, boolean feedback, boolean marks) {}

  /** What may be looked at of a question by somebody who stands there. */
  public Allowed at(Standing standing) {
    return new Allowed(
        allows(own, standing),
        allows(right, standing),
        allows(feedback, standing),
        allows(marks, standing));
  }

  /** Whether answers are settled one by one. */
  public boolean oneByOne() {
    return own == When.AT_ONCE
        || right == When.AT_ONCE
        || feedback == When.AT_ONCE
        || marks == When.AT_ONCE;
  }

  private static boolean allows(When when, Standing standing) {
    return switch (when) {
      case AT_ONCE -> true;
      case AFTER_ATTEMPT -> standing.finished();
      case NOTHING_TO_GAIN ->
          standing.finished() && (standing.nothingToGain() || standing.closed());
      case CLOSED -> standing.finished() && standing.closed();
      case PASSED -> standing.finished() && standing.passed();
      case NEVER -> false;
    };
  }
}
