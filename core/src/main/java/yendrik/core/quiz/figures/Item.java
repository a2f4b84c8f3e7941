package yendrik.core.quiz.figures;

/**
 * One question in one attempt.
 *
 * @param of the points that were to be had, above 0
 * @param points from 0 to those
 * @param answered whether anything was answered
 */
public record Item(String question, double points, double of, boolean answered) {
  double share() {
    return points / of;
  }
}
