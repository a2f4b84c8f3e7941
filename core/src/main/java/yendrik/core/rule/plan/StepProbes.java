package yendrik.core.rule.plan;

import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.StepProbe;

/** Questions about what has been worked out for a step. */
final class StepProbes {
  private static final long DAY = 86_400_000L;

  private StepProbes() {}

  static final class Done extends StepProbe {
    Done(int step) {
      super(step);
    }

    @Override
    protected void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (sight.doneAt(step) != LearnerRecord.NEVER) reading.met();
      else if (sight.doneByWaiver(step)) reading.waived();
      else if (sight.outOfReach(step)) reading.outOfReach(sight.fraction(step));
      else reading.notYet(sight.fraction(step), sight.turn(step));
    }
  }

  static final class DaysSinceDone extends StepProbe {
    private final long wait;

    DaysSinceDone(int step, int days) {
      super(step);
      wait = days * DAY;
    }

    @Override
    protected void ask(Sight sight, LearnerRecord record, Reading reading) {
      long done = sight.doneAt(step);
      if (done == LearnerRecord.NEVER) {
        if (sight.doneByWaiver(step)) reading.waived();
        else if (sight.outOfReach(step)) reading.outOfReach(0);
        else reading.notYet(0, sight.turn(step));
      } else if (sight.now() >= done + wait) reading.met();
      else reading.notBefore(done + wait, (double) (sight.now() - done) / wait);
    }
  }
}
