package yendrik.core.record;

import java.util.Arrays;

/**
 * What the strands that mark say together about each step, in flat arrays. It is put down after
 * each fact of a step, since rules ask for it far more often than facts come.
 */
final class Judged {
  private final Strand<?, ?>[] marking;
  private final double[] score;
  private final long[] waitingSince;
  private final boolean[] marked;
  private final boolean[] passed;

  Judged(int steps, Strand<?, ?>[] marking) {
    this.marking = marking;
    score = new double[steps];
    Arrays.fill(score, Strand.UNSCORED);
    waitingSince = new long[steps];
    Arrays.fill(waitingSince, LearnerRecord.NEVER);
    marked = new boolean[steps];
    passed = new boolean[steps];
  }

  /** Asks the strands again; of several scores the last counts, of waiting works the first. */
  void sum(int s) {
    score[s] = Strand.UNSCORED;
    waitingSince[s] = LearnerRecord.NEVER;
    marked[s] = false;
    passed[s] = false;
    for (Strand<?, ?> strand : marking) {
      double share = strand.score(s);
      if (share >= 0) score[s] = share;
      if (waitingSince[s] == LearnerRecord.NEVER) waitingSince[s] = strand.waitingSince(s);
      marked[s] |= strand.marked(s);
      passed[s] |= strand.passed(s);
    }
  }

  double score(int s) {
    return score[s];
  }

  long waitingSince(int s) {
    return waitingSince[s];
  }

  boolean marked(int s) {
    return marked[s];
  }

  boolean passed(int s) {
    return passed[s];
  }
}
