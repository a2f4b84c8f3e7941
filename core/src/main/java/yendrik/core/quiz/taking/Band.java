package yendrik.core.quiz.taking;

import yendrik.core.Refusal;

/**
 * What is said to whoever reached a share of the points, and not that of the next band.
 *
 * @param from from 0 to 1
 */
public record Band(double from, String words) {
  /**
   * @throws Refusal if the share is not from 0 to 1
   */
  public Band {
    if (!(from >= 0 && from <= 1)) throw new Refusal("share", "share", from);
  }
}
