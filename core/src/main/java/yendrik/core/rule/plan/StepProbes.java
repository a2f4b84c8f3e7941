package yendrik.core.rule.plan;

import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;

/**
 * Questions about one step. A question that is waived or past hope is settled in one place: about a
 * step that is not given to the learner it is always waived, about one from which they are excused
 * unless it is met, since an excuse takes nothing away.
 */
final class StepProbes {
  private static final long DAY = 86_400_000L;

  private StepProbes() {}

  /** What all questions about a step share. */
  abstract static class AtStep implements Probe {
    final int step;

    AtStep(int step) {
      this.step = step;
    }

    @Override
    public final void look(Sight sight, Reading reading) {
      if (!sight.record().isFor(step)) {
        reading.waived();
        return;
      }
      ask(sight, sight.record(), reading);
      if (reading.verdict != Verdict.MET && sight.record().excused(step))
        reading.waivedUntil(reading.next);
    }

    @Override
    public final void readsFrom(Subjects subjects) {
      subjects.step(step);
    }

    abstract void ask(Sight sight, LearnerRecord record, Reading reading);

    /** Not met: still possible if the step can be used. */
    final void missing(Sight sight, Reading reading, double far, Turn whenOpen) {
      if (!sight.usable(step)) reading.outOfReach(far);
      else reading.notYet(far, sight.open(step) ? whenOpen : sight.turn(step));
    }
  }

  static final class Seen extends AtStep {
    Seen(int step) {
      super(step);
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (record.seenAt(step) != LearnerRecord.NEVER) reading.met();
      else missing(sight, reading, 0, Turn.LEARNER);
    }
  }

  static final class TimeSpent extends AtStep {
    private final int seconds;

    TimeSpent(int step, int minutes) {
      super(step);
      seconds = Math.multiplyExact(minutes, 60);
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      int spent = record.seconds(step);
      if (spent >= seconds) reading.met();
      else missing(sight, reading, (double) spent / seconds, Turn.LEARNER);
    }
  }

  static final class Watched extends AtStep {
    private static final double HAIR = 1e-9;
    private final double share;

    Watched(int step, double share) {
      super(step);
      this.share = share;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      double watched = record.watched(step);
      if (watched >= share - HAIR) reading.met();
      else missing(sight, reading, watched / share, Turn.LEARNER);
    }
  }

  static final class HandedIn extends AtStep {
    HandedIn(int step) {
      super(step);
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (record.version(step) > 0) reading.met();
      else missing(sight, reading, 0, Turn.LEARNER);
    }
  }

  static final class Attempted extends AtStep {
    private final int times;

    Attempted(int step, int times) {
      super(step);
      this.times = times;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      int made = record.attempts(step);
      double far = (double) made / times;
      if (made >= times) reading.met();
      else if (record.attemptsLeft(step) < times - made) reading.outOfReach(far);
      else missing(sight, reading, far, Turn.LEARNER);
    }
  }

  static final class Marked extends AtStep {
    Marked(int step) {
      super(step);
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (record.marked(step)) reading.metForNow(Reading.NO_MOMENT);
      else if (record.waiting(step)) reading.notYet(0.5, Turn.STAFF);
      else missing(sight, reading, 0, Turn.LEARNER);
    }
  }

  static final class Passed extends AtStep {
    Passed(int step) {
      super(step);
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (record.passed(step)) reading.met();
      else if (record.waiting(step)) reading.notYet(0.5, Turn.STAFF);
      else if (record.attempts(step) > 0 && record.attemptsLeft(step) == 0)
        reading.outOfReach(record.score(step));
      else missing(sight, reading, record.score(step), Turn.LEARNER);
    }
  }

  static final class NotPassed extends AtStep {
    NotPassed(int step) {
      super(step);
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (record.notPassed(step)) reading.metForNow(Reading.NO_MOMENT);
      else if (record.passed(step)) reading.outOfReach(0);
      else if (record.waiting(step)) reading.notYet(0, Turn.STAFF);
      else missing(sight, reading, 0, Turn.LEARNER);
    }
  }

  /**
   * Score of the attempt that counts between two shares. Attempts only ever raise the score, so a
   * score above the upper bound is past hope, and one below the lower bound is when no attempt is
   * left.
   */
  static final class Score extends AtStep {
    private static final double HAIR = 1e-9;
    private final double from;
    private final double to;

    Score(int step, double from, double to) {
      super(step);
      this.from = from;
      this.to = to;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      double score = record.score(step);
      boolean scored = record.scored(step);
      double far = from == 0 ? 0 : score / from;
      if (scored && score >= from - HAIR && score <= to + HAIR) inside(reading);
      else if (scored && score > to + HAIR) reading.outOfReach(0);
      else if (record.waiting(step)) reading.notYet(far, Turn.STAFF);
      else if (record.attempts(step) > 0 && record.attemptsLeft(step) == 0) reading.outOfReach(far);
      else missing(sight, reading, far, Turn.LEARNER);
    }

    private void inside(Reading reading) {
      if (to >= 1) reading.met();
      else reading.metForNow(Reading.NO_MOMENT);
    }
  }

  static final class Confirmed extends AtStep {
    Confirmed(int step) {
      super(step);
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (record.confirmedAt(step) != LearnerRecord.NEVER) reading.met();
      else missing(sight, reading, 0, Turn.LEARNER);
    }
  }

  /** Staff may sign off whatever the state of the step, so this is never past hope. */
  static final class SignedOff extends AtStep {
    SignedOff(int step) {
      super(step);
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (record.signedOffAt(step) != LearnerRecord.NEVER) reading.met();
      else missing(sight, reading, 0, Turn.STAFF);
    }
  }

  static final class Done extends AtStep {
    Done(int step) {
      super(step);
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (sight.doneAt(step) != LearnerRecord.NEVER) reading.met();
      else if (sight.doneByWaiver(step)) reading.waived();
      else if (sight.outOfReach(step)) reading.outOfReach(sight.fraction(step));
      else reading.notYet(sight.fraction(step), sight.turn(step));
    }
  }

  static final class DaysSinceDone extends AtStep {
    private final long wait;

    DaysSinceDone(int step, int days) {
      super(step);
      wait = days * DAY;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
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
