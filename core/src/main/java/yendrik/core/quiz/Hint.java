package yendrik.core.quiz;

import java.util.List;
import yendrik.core.Refusal;

/**
 * Help that a learner may ask for while answering.
 *
 * @param cost what it takes of the question's points, as a share from 0 to 1
 */
public record Hint(String text, double cost) {
  /**
   * @throws Refusal if the cost is not from 0 to 1
   */
  public Hint {
    if (!(cost >= 0 && cost <= 1)) throw new Refusal("hint-cost", "cost", cost);
  }

  /**
   * What the first of some hints cost together, at most 1: after hints of 0.25 and 0.5 a right
   * answer to a question of 4 points gives 1.
   *
   * @param taken how many were asked for
   */
  static double cost(List<Hint> hints, int taken) {
    return Math.min(1, hints.stream().limit(Math.max(0, taken)).mapToDouble(Hint::cost).sum());
  }
}
