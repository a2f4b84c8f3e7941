package yendrik.core.progress;

/**
 * The state of a step for a learner. The order is part of the stored form of a snapshot: add at the
 * end only.
 */
public enum StepState {
  NOT_FOR_THEM,
  UNPUBLISHED,
  CLOSED,
  OPEN,
  BEGUN,
  /** Handed in; staff's turn. */
  WAITING,
  /** Needs another go. */
  AGAIN,
  DONE,
  /** The window is over and the step was not done. */
  MISSED,
  EXCUSED
}
