package yendrik.core.rule.plan;

import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;

/**
 * What one node of a rule came to. One object is reused for many readings, so that deciding makes
 * no garbage.
 */
final class Reading {
  static final long NO_MOMENT = Long.MAX_VALUE;

  Verdict verdict = Verdict.NOT_YET;

  /** Whether what is met can never be unmet by the learner or the clock. */
  boolean lasting;

  double fraction;
  Turn turn = Turn.NOBODY;

  /** The next moment at which the clock alone may change the verdict. */
  long next = NO_MOMENT;

  private void set(Verdict is, boolean lasts, double far, Turn whose, long when) {
    verdict = is;
    lasting = lasts;
    fraction = far;
    turn = whose;
    next = when;
  }

  void met() {
    set(Verdict.MET, true, 1, Turn.NOBODY, NO_MOMENT);
  }

  /** Met for now: a later fact or, at {@code until}, the clock may end it. */
  void metForNow(long until) {
    Turn ends = until == NO_MOMENT ? Turn.LEARNER : Turn.CLOCK;
    set(Verdict.MET, false, 1, ends, until);
  }

  void notYet(double far, Turn whose) {
    set(Verdict.NOT_YET, false, Math.clamp(far, 0, 1), whose, NO_MOMENT);
  }

  void notBefore(long moment, double far) {
    set(Verdict.NOT_YET, false, Math.clamp(far, 0, 1), Turn.CLOCK, moment);
  }

  void outOfReach(double far) {
    set(Verdict.OUT_OF_REACH, false, Math.clamp(far, 0, 1), Turn.STAFF, NO_MOMENT);
  }

  void waived() {
    waivedUntil(NO_MOMENT);
  }

  /** Waived, though the clock may bring it about that it is met after all. */
  void waivedUntil(long moment) {
    set(Verdict.WAIVED, true, 1, Turn.NOBODY, moment);
  }
}
