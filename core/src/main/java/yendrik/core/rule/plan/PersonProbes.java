package yendrik.core.rule.plan;

import java.util.Set;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.id.SessionId;
import yendrik.core.people.StaffKind;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Rhythm;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Probe;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.Subjects;

/** Questions about the learner and about the clock. */
final class PersonProbes {
  static final long DAY = 86_400_000L;

  private PersonProbes() {}

  /** Questions that rest on enrolment, groups and other courses only. */
  interface OfPerson extends Probe {
    @Override
    default void readsFrom(Subjects subjects) {
      subjects.person();
    }
  }

  record InGroup(GroupId group) implements OfPerson {
    @Override
    public void look(Sight sight, Reading reading) {
      if (sight.record().in(group)) reading.metForNow(Reading.NO_MOMENT);
      else reading.notYet(0, Turn.STAFF);
    }
  }

  record Approved(StaffKind by) implements OfPerson {
    @Override
    public void look(Sight sight, Reading reading) {
      if (sight.record().approvedAt(by) != LearnerRecord.NEVER) reading.met();
      else reading.notYet(0, Turn.STAFF);
    }
  }

  record OwnWord() implements OfPerson {
    @Override
    public void look(Sight sight, Reading reading) {
      if (sight.record().ownWordAt() != LearnerRecord.NEVER) reading.met();
      else reading.notYet(0, Turn.LEARNER);
    }
  }

  /** Who has left may come back. */
  record HasLeft() implements OfPerson {
    @Override
    public void look(Sight sight, Reading reading) {
      if (sight.record().left()) reading.metForNow(Reading.NO_MOMENT);
      else reading.notYet(0, Turn.LEARNER);
    }
  }

  /** Later sessions can lower a rate, so nothing here is for good or past hope. */
  record AttendanceRate(double share) implements OfPerson {
    private static final double HAIR = 1e-9;

    @Override
    public void look(Sight sight, Reading reading) {
      int counted = sight.record().sessionsCounted();
      double rate = counted == 0 ? 0 : (double) sight.record().sessionsAttended() / counted;
      if (counted > 0 && rate >= share - HAIR) reading.metForNow(Reading.NO_MOMENT);
      else reading.notYet(rate / share, Turn.LEARNER);
    }
  }

  record SessionsAttended(int sessions) implements OfPerson {
    @Override
    public void look(Sight sight, Reading reading) {
      int attended = sight.record().sessionsAttended();
      if (attended >= sessions) reading.met();
      else reading.notYet((double) attended / sessions, Turn.LEARNER);
    }
  }

  record SessionAttended(SessionId session) implements OfPerson {
    @Override
    public void look(Sight sight, Reading reading) {
      if (sight.record().attended(session)) reading.met();
      else reading.notYet(0, Turn.LEARNER);
    }
  }

  record InARow(int times, Rhythm rhythm) implements OfPerson {
    @Override
    public void look(Sight sight, Reading reading) {
      LearnerRecord record = sight.record();
      if (record.mostInARow(rhythm) >= times) reading.met();
      else reading.notYet((double) record.lastInARow(rhythm) / times, Turn.LEARNER);
    }
  }

  record OneOf(Set<PersonId> people) implements OfPerson {
    @Override
    public void look(Sight sight, Reading reading) {
      if (people.contains(sight.record().person())) reading.met();
      else reading.outOfReach(0);
    }
  }

  record OtherCourse(CourseId course) implements OfPerson {
    @Override
    public void look(Sight sight, Reading reading) {
      if (sight.record().completed(course)) reading.met();
      else reading.notYet(0, Turn.LEARNER);
    }
  }

  record ThisCourse() implements Probe {
    @Override
    public void look(Sight sight, Reading reading) {
      if (sight.complete()) reading.met();
      else if (sight.completeOutOfReach()) reading.outOfReach(0);
      else reading.notYet(0, Turn.LEARNER);
    }

    @Override
    public void readsFrom(Subjects subjects) {
      subjects.course();
    }
  }

  /**
   * @param byHand whether only staff can give it
   */
  record HoldsBadge(int badge, boolean byHand) implements Probe {
    @Override
    public void look(Sight sight, Reading reading) {
      if (sight.holds(badge)) reading.met();
      else if (byHand || sight.record().revoked(badge)) reading.notYet(0, Turn.STAFF);
      else if (sight.badgeOutOfReach(badge)) reading.outOfReach(0);
      else reading.notYet(0, Turn.LEARNER);
    }

    @Override
    public void readsFrom(Subjects subjects) {
      subjects.badge(badge);
    }
  }

  record EnrolledFor(int days) implements OfPerson {
    @Override
    public void look(Sight sight, Reading reading) {
      long from = sight.record().enrolledAt();
      if (from == LearnerRecord.NEVER) {
        reading.notYet(0, Turn.STAFF);
        return;
      }
      long moment = from + days * DAY;
      if (sight.now() >= moment) reading.met();
      else reading.notBefore(moment, (double) (sight.now() - from) / (days * DAY));
    }
  }

  /**
   * @param from included; {@link Long#MIN_VALUE} for none
   * @param until excluded; {@link Long#MAX_VALUE} for none
   */
  record InTime(long from, long until) implements Probe {
    @Override
    public void look(Sight sight, Reading reading) {
      if (sight.now() < from) reading.notBefore(from, 0);
      else if (sight.now() >= until) reading.outOfReach(0);
      else if (until == Long.MAX_VALUE) reading.met();
      else reading.metForNow(until);
    }

    @Override
    public void readsFrom(Subjects subjects) {}
  }
}
