package yendrik.core.quiz.taking;

import yendrik.core.Refusal;

/**
 * The time of an attempt. The clock is the server's and goes on whatever the learner's browser
 * does.
 *
 * @param minutes from 1 to {@link #MOST_MINUTES}
 * @param graceMinutes how long what was begun may be finished, where {@code timeUp} says so; else 0
 */
public record Limit(int minutes, TimeUp timeUp, int graceMinutes) {
  /** A week. */
  public static final int MOST_MINUTES = 7 * 24 * 60;

  /** The longest time to finish what was begun. */
  public static final int MOST_GRACE = 120;

  /**
   * @throws Refusal if a number is outside its range
   */
  public Limit {
    if (minutes < 1 || minutes > MOST_MINUTES) throw new Refusal("minutes", "n", minutes);
    if (graceMinutes < 0 || graceMinutes > MOST_GRACE)
      throw new Refusal("minutes", "n", graceMinutes);
    if (timeUp != TimeUp.FINISHED) graceMinutes = 0;
  }
}
