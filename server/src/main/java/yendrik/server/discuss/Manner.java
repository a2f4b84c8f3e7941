package yendrik.server.discuss;

/**
 * How a step is written in.
 *
 * @param journal whether each learner writes for staff alone
 * @param byGroup whether each group discusses by itself
 * @param postFirst whether one writes something before one reads what others wrote
 * @param minutes for how long one can change what one wrote, 0 for not at all
 */
public record Manner(boolean journal, boolean byGroup, boolean postFirst, int minutes) {
  /** The most minutes for which something can be changed: a week. */
  public static final int MOST_MINUTES = 10_080;

  public static final int USUAL_MINUTES = 30;

  public static Manner journal(int minutes) {
    return new Manner(true, false, false, minutes);
  }
}
