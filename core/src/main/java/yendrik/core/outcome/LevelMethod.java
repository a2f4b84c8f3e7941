package yendrik.core.outcome;

/**
 * How the level of an outcome follows from its pieces of evidence. A level is an index into the
 * outcome's scale, 0 the weakest.
 */
public enum LevelMethod {
  /** The level of the newest piece; of two at the same moment, the one recorded later. */
  MOST_RECENT,
  /** The highest level among all pieces; a further piece can never lower it. */
  BEST,
  /**
   * The weighted mean Σ(wᵢ·lᵢ)/Σwᵢ of the level indexes, to the nearest whole level, a tie going
   * down so that no level is reached by rounding alone.
   */
  MEAN
}
