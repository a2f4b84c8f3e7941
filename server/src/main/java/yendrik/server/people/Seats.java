package yendrik.server.people;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.STAFF;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import org.jooq.Condition;
import org.jooq.Record;
import org.jooq.SelectFieldOrAsterisk;
import org.jspecify.annotations.Nullable;
import yendrik.core.id.CourseId;

/** How a person's place in a course is read: joined to course and person by those who ask. */
final class Seats {
  static final List<SelectFieldOrAsterisk> FIELDS =
      List.of(COURSE.ID, STAFF.ROLE, STAFF.GROUP_ID, ENROLMENT.ID);

  private Seats() {}

  static Condition isStaff() {
    return STAFF.COURSE_ID.eq(COURSE.ID).and(STAFF.PERSON_ID.eq(PERSON.ID));
  }

  static Condition isEnrolled() {
    return ENROLMENT
        .COURSE_ID
        .eq(COURSE.ID)
        .and(ENROLMENT.PERSON_ID.eq(PERSON.ID))
        .and(ENROLMENT.PRACTICE.isFalse());
  }

  /** Empty for somebody who has no place in the course, or if there is no such course. */
  static Optional<Seat> of(Record row, SignedIn person) {
    if (row.get(COURSE.ID) == null) return Optional.empty();
    Optional<Seat.Role> role =
        person.administrator()
            ? Optional.of(Seat.Role.DESIGNER)
            : Optional.ofNullable(row.get(STAFF.ROLE))
                .map(name -> Seat.Role.valueOf(name.toUpperCase(Locale.ROOT)));
    var seat =
        new Seat(
            new CourseId(row.get(COURSE.ID)),
            person,
            role,
            person.administrator() ? OptionalLong.empty() : optional(row.get(STAFF.GROUP_ID)),
            optional(row.get(ENROLMENT.ID)));
    return seat.role().isPresent() || seat.learner() ? Optional.of(seat) : Optional.empty();
  }

  private static OptionalLong optional(@Nullable Long value) {
    return value == null ? OptionalLong.empty() : OptionalLong.of(value);
  }
}
