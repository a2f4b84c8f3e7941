package yendrik.core.rule.look;

import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;

/**
 * What one node of a rule came to. One object is reused for many readings, so that deciding makes
 * no garbage.
 */
public final class Reading {
  /** Epoch milliseconds of what the clock never brings. */
  public static final long NO_MOMENT = Long.MAX_VALUE;

  // numbers, since the collector has to be told of every reference that is written
  private int verdict = Verdict.NOT_YET.ordinal();
  private boolean lasting;
  private double fraction;
  private int turn = Turn.NOBODY.ordinal();
  private long next = NO_MOMENT;

  private void set(Verdict is, boolean lasts, double far, Turn whose, long when) {
    verdict = is.ordinal();
    lasting = lasts;
    fraction = far;
    turn = whose.ordinal();
    next = when;
  }

  /** Met, and never to be unmet by the learner or the clock. */
  public void met() {
    set(Verdict.MET, true, 1, Turn.NOBODY, NO_MOMENT);
  }

  /** Met for now: a later fact or, at {@code until}, the clock may end it. */
  public void metForNow(long until) {
    Turn ends = until == NO_MOMENT ? Turn.LEARNER : Turn.CLOCK;
    set(Verdict.MET, false, 1, ends, until);
  }

  /**
   * Not met, and still possible.
   *
   * @param far how far, 0 to 1; what is beyond is cut
   */
  public void notYet(double far, Turn whose) {
    set(Verdict.NOT_YET, false, Math.clamp(far, 0, 1), whose, NO_MOMENT);
  }

  /** Not met before a moment. */
  public void notBefore(long moment, double far) {
    set(Verdict.NOT_YET, false, Math.clamp(far, 0, 1), Turn.CLOCK, moment);
  }

  /** Not met, and not to be met unless staff act. */
  public void outOfReach(double far) {
    set(Verdict.OUT_OF_REACH, false, Math.clamp(far, 0, 1), Turn.STAFF, NO_MOMENT);
  }

  /** Drops out of the rule. */
  public void waived() {
    waivedUntil(NO_MOMENT);
  }

  /** Waived, though the clock may bring it about that it is met after all. */
  public void waivedUntil(long moment) {
    set(Verdict.WAIVED, true, 1, Turn.NOBODY, moment);
  }

  /** The same, to be looked at again at a moment. */
  public void lookAgainAt(long moment) {
    next = moment;
  }

  public Verdict verdict() {
    return Verdict.at(verdict);
  }

  /** Whether what is met can never be unmet by the learner or the clock. */
  public boolean lasting() {
    return lasting;
  }

  /** How far, 0 to 1. */
  public double fraction() {
    return fraction;
  }

  public Turn turn() {
    return Turn.at(turn);
  }

  /** The next moment at which the clock alone may change the verdict. */
  public long next() {
    return next;
  }
}
