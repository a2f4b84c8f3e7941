package yendrik.core.rule;

/** Whose turn it is while a condition is not met; the earlier constant wins in a joint. */
public enum Turn {
  LEARNER,
  STAFF,
  CLOCK,
  /** Nothing is waited for. */
  NOBODY
}
