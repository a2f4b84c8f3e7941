package yendrik.server.design.copying;

import static yendrik.schema.Tables.ATTENDANCE_STATUS;
import static yendrik.schema.Tables.COURSE;

import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.people.StaffKind;
import yendrik.server.design.Courses;
import yendrik.server.people.People;
import yendrik.server.people.Right;
import yendrik.server.people.SignedIn;

/** Makes courses: empty ones, and ones that begin as a copy of another. */
@Service
@Transactional
class NewCourses {
  private final DSLContext db;
  private final Courses courses;
  private final Copying copying;
  private final People people;

  NewCourses(DSLContext db, Courses courses, Copying copying, People people) {
    this.db = db;
    this.courses = courses;
    this.copying = copying;
    this.people = people;
  }

  /**
   * @param copied what came of the copy, if it is one
   */
  record Made(CourseId id, Optional<Copying.Report> copied) {}

  /** Whether somebody may begin a course as a copy of this one: they design it, and it is one. */
  boolean copies(CourseId from, SignedIn person) {
    return people.seat(from, person).has(Right.PLAN)
        && db.fetchExists(COURSE, COURSE.ID.eq(from), COURSE.FRAMEWORK.isFalse());
  }

  Made make(Courses.NewCourse course, boolean practice, Optional<CourseId> from, SignedIn by) {
    CourseId id = courses.add(course);
    db.update(COURSE).set(COURSE.PRACTICE, practice).where(COURSE.ID.eq(id)).execute();
    if (!by.administrator()) people.addStaff(id, by.id(), StaffKind.DESIGNER, Optional.empty());
    if (from.isEmpty()) {
      courses.addPlainScale(id);
      return new Made(id, Optional.empty());
    }
    var all =
        new Copying.Selection(
            Set.of(), Set.of(), Set.of(), Optional.empty(), /* everything= */ true);
    Copying.Report report = copying.copy(from.get(), id, all, Copying.Dates.WITH_COURSE);
    settings(from.get(), id);
    return new Made(id, Optional.of(report));
  }

  /** Own words and what registers can say are those of the course that it was made from. */
  private void settings(CourseId from, CourseId to) {
    db.update(COURSE)
        .set(
            COURSE.OWN_WORDS,
            db.select(COURSE.OWN_WORDS)
                .from(COURSE)
                .where(COURSE.ID.eq(from))
                .fetchSingle()
                .value1())
        .where(COURSE.ID.eq(to))
        .execute();
    db.deleteFrom(ATTENDANCE_STATUS).where(ATTENDANCE_STATUS.COURSE_ID.eq(to)).execute();
    db.selectFrom(ATTENDANCE_STATUS)
        .where(ATTENDANCE_STATUS.COURSE_ID.eq(from))
        .fetch()
        .forEach(s ->
            db.insertInto(ATTENDANCE_STATUS)
                .set(ATTENDANCE_STATUS.COURSE_ID, to)
                .set(ATTENDANCE_STATUS.NUMBER, s.getNumber())
                .set(ATTENDANCE_STATUS.NAME, s.getName())
                .set(ATTENDANCE_STATUS.THERE, s.getThere())
                .set(ATTENDANCE_STATUS.COUNTS, s.getCounts())
                .set(ATTENDANCE_STATUS.POSITION, s.getPosition())
                .execute());
  }
}
