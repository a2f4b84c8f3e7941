package yendrik.core.rule.look;

import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;

/**
 * A question about one step. A question that is waived or past hope is settled in one place: about
 * a step that is not given to the learner it is always waived, about one from which they are
 * excused unless it is met, since an excuse takes nothing away.
 */
public abstract class StepProbe implements Probe {
  /** Shares that differ by less are the same. */
  public static final double HAIR = 1e-9;

  protected final int step;

  /**
   * @param step by its number in the course
   */
  protected StepProbe(int step) {
    this.step = step;
  }

  @Override
  public final void look(Sight sight, Reading reading) {
    if (!sight.record().isFor(step)) {
      reading.waived();
      return;
    }
    ask(sight, sight.record(), reading);
    if (reading.verdict() != Verdict.MET && sight.record().excused(step))
      reading.waivedUntil(reading.next());
  }

  @Override
  public final void readsFrom(Subjects subjects) {
    subjects.step(step);
  }

  /** What the question comes to for somebody who has the step. */
  protected abstract void ask(Sight sight, LearnerRecord record, Reading reading);

  /**
   * Not met: still possible if the step can be used.
   *
   * @param step by its number in the course
   * @param far how far, 0 to 1
   * @param whenOpen whose turn it is while the step is open
   */
  public static void missing(int step, Sight sight, Reading reading, double far, Turn whenOpen) {
    if (!sight.usable(step)) reading.outOfReach(far);
    else reading.notYet(far, sight.open(step) ? whenOpen : sight.turn(step));
  }
}
