package yendrik.core.rule;

/** What a condition comes to for one learner at one moment. */
public enum Verdict {
  /** It holds. */
  MET,
  /** It does not hold, and still can. */
  NOT_YET,
  /** It does not hold and cannot, unless staff act. */
  OUT_OF_REACH,
  /** It does not concern this learner and drops out of its joint. */
  WAIVED;

  private static final Verdict[] ALL = values();

  /** The one at a place: as a number it is kept where it is written a million times. */
  public static Verdict at(int place) {
    return ALL[place];
  }
}
