package yendrik.server.people;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.STAFF;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.Record;
import org.jooq.SelectFieldOrAsterisk;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.people.StaffKind;

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

  /** The place of a person in the course that a row is about. */
  static Seat of(Record row, CourseId course, SignedIn person) {
    if (row.get(COURSE.ID) == null) return new Seat.Nobody(course, person);
    Optional<EnrolmentId> own = Optional.ofNullable(row.get(ENROLMENT.ID));
    if (person.administrator()) return new Seat.Staff(course, person, /* designs= */ true, own);
    String role = row.get(STAFF.ROLE);
    if (role == null)
      return own.<Seat>map(id -> new Seat.Learner(course, person, id))
          .orElseGet(() -> new Seat.Nobody(course, person));
    return switch (StaffKind.valueOf(role.toUpperCase(Locale.ROOT))) {
      case DESIGNER -> new Seat.Staff(course, person, /* designs= */ true, own);
      case FACILITATOR -> new Seat.Staff(course, person, /* designs= */ false, own);
      case SUPPORT -> {
        GroupId group = row.get(STAFF.GROUP_ID);
        yield new Seat.Support(course, person, group == null ? Set.of() : Set.of(group), own);
      }
    };
  }
}
