package yendrik.core.rehearse.crowd;

import java.util.SplittableRandom;

/**
 * What chance has in store for one learner. It hangs on what it is asked for, not on how often it
 * was asked, so that a learner has the same luck at the same step under another design, and two
 * designs differ only by their rules.
 */
final class Luck {
  /** What chance decides. */
  enum Of {
    ABILITY,
    PACE,
    STOP,
    PAUSE,
    SCORE,
    WILL,
    STAFF,
    SESSION,
    GROUPS
  }

  private final long learner;

  Luck(long seed, int learner) {
    this.learner = mixed(mixed(seed, 0), learner);
  }

  private static long mixed(long a, long b) {
    return new SplittableRandom(a * 31 + b).nextLong();
  }

  private SplittableRandom at(Of of, long what, int time) {
    return new SplittableRandom(mixed(mixed(learner + of.ordinal(), what), time));
  }

  /**
   * A number from 0 (included) to 1.
   *
   * @param what the id of what it is about
   * @param time how often it was about that before
   */
  double share(Of of, long what, int time) {
    return at(of, what, time).nextDouble();
  }

  /** A number of the standard normal distribution. */
  double normal(Of of, long what, int time) {
    return at(of, what, time).nextGaussian();
  }

  /** A number of the exponential distribution with this mean. */
  double wait(Of of, long what, int time, double mean) {
    return mean * at(of, what, time).nextExponential();
  }

  /** One of so many, from 0 on. */
  int oneOf(Of of, int n) {
    return at(of, 0, 0).nextInt(n);
  }
}
