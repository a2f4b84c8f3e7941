package yendrik.core.rule.plan;

import yendrik.core.course.CourseIndex;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Probe;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.Subjects;

/**
 * Signs that a learner needs somebody. All of them look over the whole record and all can pass
 * again. Learners who have left, or have completed the course, show none.
 */
final class SignalProbes {
  private static final long DAY = 86_400_000L;

  private SignalProbes() {}

  abstract static class Signal implements Probe {
    @Override
    public final void look(Sight sight, Reading reading) {
      if (sight.record().left() || sight.complete()) reading.notYet(0, Turn.NOBODY);
      else ask(sight, sight.record(), reading);
    }

    /** All flags together are looked at again after whatever happened, so there is no list. */
    @Override
    public final void readsFrom(Subjects subjects) {}

    abstract void ask(Sight sight, LearnerRecord record, Reading reading);

    final void from(long moment, long now, Reading reading) {
      if (now >= moment) reading.metForNow(Reading.NO_MOMENT);
      else reading.notBefore(moment, 0);
    }
  }

  static final class QuietFor extends Signal {
    private final long days;

    QuietFor(int days) {
      this.days = days;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (record.lastHere() == LearnerRecord.NEVER) reading.notYet(0, Turn.NOBODY);
      else from(record.lastHere() + days * DAY, sight.now(), reading);
    }
  }

  static final class NeverStarted extends Signal {
    private final long startsAt;
    private final long days;

    NeverStarted(long startsAt, int days) {
      this.startsAt = startsAt;
      this.days = days;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (record.sawSomething() || record.enrolledAt() == LearnerRecord.NEVER)
        reading.notYet(0, Turn.NOBODY);
      else from(Math.max(startsAt, record.enrolledAt()) + days * DAY, sight.now(), reading);
    }
  }

  static final class Overdue extends Signal {
    private final CourseIndex index;
    private final int steps;

    Overdue(CourseIndex index, int steps) {
      this.index = index;
      this.steps = steps;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      int late = 0;
      long next = Reading.NO_MOMENT;
      for (int s = 0; s < index.steps(); s++) {
        long due = record.due(s);
        if (due == LearnerRecord.NEVER) continue;
        if (!counts(index, s, sight) || record.waiting(s)) continue;
        if (due <= sight.now()) late++;
        else next = Math.min(next, due);
      }
      if (late >= steps) reading.metForNow(Reading.NO_MOMENT);
      else reading.notBefore(next, (double) late / steps);
    }
  }

  static final class BehindBy extends Signal {
    private final CourseIndex index;
    private final long days;

    private static boolean before(long due, long earliest) {
      return due != LearnerRecord.NEVER && due < earliest;
    }

    BehindBy(CourseIndex index, int days) {
      this.index = index;
      this.days = days;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      long earliest = Reading.NO_MOMENT;
      for (int s = 0; s < index.steps(); s++)
        if (before(record.due(s), earliest) && counts(index, s, sight) && !record.waiting(s))
          earliest = record.due(s);
      if (earliest == Reading.NO_MOMENT) reading.notYet(0, Turn.NOBODY);
      else from(earliest + days * DAY, sight.now(), reading);
    }
  }

  static final class StuckFor extends Signal {
    private final CourseIndex index;
    private final long days;

    StuckFor(CourseIndex index, int days) {
      this.index = index;
      this.days = days;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      long first = Reading.NO_MOMENT;
      for (int s = 0; s < index.steps(); s++)
        if (record.notPassed(s) && counts(index, s, sight))
          first = Math.min(first, record.touchedAt(s));
      if (first == Reading.NO_MOMENT || first == LearnerRecord.NEVER)
        reading.notYet(0, Turn.NOBODY);
      else from(first + days * DAY, sight.now(), reading);
    }
  }

  static final class NoEvidence extends Signal {
    private final int outcome;
    private final long from;

    NoEvidence(int outcome, long from) {
      this.outcome = outcome;
      this.from = from;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      if (record.evidenceAt(outcome) != LearnerRecord.NEVER) reading.notYet(0, Turn.NOBODY);
      else from(from, sight.now(), reading);
    }
  }

  static final class AttendanceUnder extends Signal {
    private static final double HAIR = 1e-9;
    private final double share;

    AttendanceUnder(double share) {
      this.share = share;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      int counted = record.sessionsCounted();
      if (counted > 0 && record.sessionsAttended() < share * counted - HAIR)
        reading.metForNow(Reading.NO_MOMENT);
      else reading.notYet(0, Turn.NOBODY);
    }
  }

  static final class RequiredOutOfReach extends Signal {
    private final CourseIndex index;

    RequiredOutOfReach(CourseIndex index) {
      this.index = index;
    }

    @Override
    void ask(Sight sight, LearnerRecord record, Reading reading) {
      for (int s = 0; s < index.steps(); s++) {
        if (sight.outOfReach(s) && counts(index, s, sight)) {
          reading.metForNow(Reading.NO_MOMENT);
          return;
        }
      }
      reading.notYet(0, Turn.NOBODY);
    }
  }

  /** Whether a step is one that this learner still has to do. */
  private static boolean counts(CourseIndex index, int s, Sight sight) {
    return index.expected(s) && sight.doneAt(s) == LearnerRecord.NEVER && !sight.waived(s);
  }
}
