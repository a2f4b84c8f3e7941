package yendrik.core.quiz.kinds.numeric;

import yendrik.core.Refusal;
import yendrik.core.quiz.Answer;

/**
 * A number that was answered.
 *
 * @param number finite
 */
public record NumberGiven(double number) implements Answer {
  /**
   * @throws Refusal if the number is not finite
   */
  public NumberGiven {
    if (!Double.isFinite(number)) throw new Refusal("number", "number", number);
  }
}
