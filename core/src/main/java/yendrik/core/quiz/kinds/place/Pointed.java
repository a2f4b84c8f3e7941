package yendrik.core.quiz.kinds.place;

import yendrik.core.Refusal;
import yendrik.core.quiz.Answer;

/**
 * A place that was pointed at.
 *
 * @param x share of the picture's width from its left edge, from 0 to 1
 * @param y share of the picture's height from its top edge, from 0 to 1
 */
public record Pointed(double x, double y) implements Answer {
  /**
   * @throws Refusal if the place is not on the picture
   */
  public Pointed {
    if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) throw new Refusal("place", "x", x, "y", y);
  }
}
