package yendrik.core.rule;

/** Whose turn it is while a condition is not met; the earlier constant wins in a joint. */
public enum Turn {
  LEARNER,
  STAFF,
  CLOCK,
  /** Nothing is waited for. */
  NOBODY;

  private static final Turn[] ALL = values();

  /** The one at a place: as a number it is kept where it is written a million times. */
  public static Turn at(int place) {
    return ALL[place];
  }
}
