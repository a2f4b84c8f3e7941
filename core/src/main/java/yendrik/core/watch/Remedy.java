package yendrik.core.watch;

import yendrik.core.id.StepId;

/** What staff can do at a step about the reason for a flag. */
public record Remedy(Way way, StepId step) {
  /** Kinds of exceptions that help. */
  public enum Way {
    /** All attempts are used. */
    ADD_ATTEMPTS,
    /** The step is overdue. */
    MOVE_DUE,
    /** The step cannot be used any more. */
    OPEN
  }
}
