package yendrik.server.discuss;

import static yendrik.schema.Tables.POST;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.Condition;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;

/** Whoever reads, which says what of a place is there for them. */
sealed interface Reader {
  PersonId person();

  /** Which posts are there for them. */
  Condition sees();

  /**
   * Somebody on a way: made-up learners read what all wrote, and nobody reads what they write.
   *
   * @param only the learners whom whoever looks through their eyes sees, if not all
   */
  record Learner(PersonId person, EnrolmentId walk, Optional<Set<EnrolmentId>> only)
      implements Reader {
    @Override
    public Condition sees() {
      Condition all =
          POST.REMOVED_AT.isNull().and(POST.PRACTICE.isFalse().or(POST.ENROLMENT_ID.eq(walk)));
      return only.map(some -> all.and(Reader.by(some))).orElse(all);
    }
  }

  /**
   * Somebody on the staff.
   *
   * @param only the learners whom they see, if they do not see all
   */
  record Staff(PersonId person, Optional<Set<EnrolmentId>> only) implements Reader {
    @Override
    public Condition sees() {
      Condition all = POST.PRACTICE.isFalse();
      return only.map(some -> all.and(by(some))).orElse(all);
    }
  }

  /** Written by staff or by one of these. */
  private static Condition by(Set<EnrolmentId> some) {
    return POST.ENROLMENT_ID.isNull().or(POST.ENROLMENT_ID.in(some));
  }

  /** The learners whom somebody on the staff sees, if they do not see all. */
  static Optional<Set<EnrolmentId>> only(Seat seat, Learners learners) {
    if (seat.seesAll()) return Optional.empty();
    return Optional.of(
        learners.of(seat).stream()
            .map(Learners.Snapshot::enrolment)
            .collect(Collectors.toUnmodifiableSet()));
  }

  /** All that is written at a place. */
  static Condition in(Place place) {
    return POST.STEP_ID
        .eq(place.step())
        .and(POST.COURSE_ID.eq(place.course()))
        .and(place.group().map(POST.GROUP_ID::eq).orElseGet(POST.GROUP_ID::isNull))
        .and(place.journal().map(POST.JOURNAL_OF::eq).orElseGet(POST.JOURNAL_OF::isNull));
  }
}
