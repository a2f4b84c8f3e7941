package yendrik.core.quiz.figures;

import java.util.OptionalLong;

/**
 * One question in one attempt.
 *
 * @param of the points that were to be had, above 0
 * @param points from 0 to those
 * @param answered whether anything was answered
 * @param seconds how long it took, 0 or more, where that is known
 */
public record Item(
    String question, double points, double of, boolean answered, OptionalLong seconds) {
  double share() {
    return points / of;
  }
}
