package yendrik.server.design;

import static yendrik.schema.Tables.ATTENDANCE_STATUS;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.FLAG;
import static yendrik.schema.Tables.SCALE;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.id.CourseId;
import yendrik.core.outcome.Scale;
import yendrik.core.watch.DefaultFlags;

/** Makes courses: empty ones, with the usual flags. */
@Service
@Transactional
public class Courses {
  private final DSLContext db;
  private final Clock clock;

  Courses(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /** What a course is called and when it runs. */
  public record NewCourse(
      String name,
      String summary,
      String cohort,
      ZoneId zone,
      Instant startsAt,
      int weeks,
      String issuer) {}

  /** A course or framework that was made. */
  record Added(CourseId id) {}

  public CourseId add(NewCourse course) {
    CourseId id =
        db.insertInto(COURSE)
            .set(COURSE.NAME, course.name())
            .set(COURSE.SUMMARY, course.summary())
            .set(COURSE.COHORT, course.cohort())
            .set(COURSE.ZONE, course.zone().getId())
            .set(COURSE.STARTS_AT, course.startsAt())
            .set(COURSE.WEEKS, course.weeks())
            .set(COURSE.ISSUER, course.issuer())
            .returning(COURSE.ID)
            .fetchSingle(COURSE.ID);
    int position = 0;
    for (DefaultFlags.Proposed flag : DefaultFlags.all())
      db.insertInto(FLAG)
          .set(FLAG.COURSE_ID, id)
          .set(FLAG.NAME, flag.name())
          .set(FLAG.FLAG_WHEN, flag.flagWhen())
          .set(FLAG.POSITION, position++)
          .execute();
    position = 0;
    for (AttendanceStatus status : AttendanceStatus.SHIPPED)
      db.insertInto(ATTENDANCE_STATUS)
          .set(ATTENDANCE_STATUS.COURSE_ID, id)
          .set(ATTENDANCE_STATUS.NUMBER, (int) status.id().value())
          .set(ATTENDANCE_STATUS.NAME, status.name())
          .set(ATTENDANCE_STATUS.THERE, status.there())
          .set(ATTENDANCE_STATUS.COUNTS, status.counts())
          .set(ATTENDANCE_STATUS.POSITION, position++)
          .execute();
    return id;
  }

  /** Makes an empty framework of the institution. */
  public CourseId addFramework(String name) {
    CourseId id =
        db.insertInto(COURSE)
            .set(COURSE.NAME, name)
            .set(COURSE.ZONE, "UTC")
            .set(COURSE.STARTS_AT, clock.instant())
            .set(COURSE.WEEKS, 1)
            .set(COURSE.FRAMEWORK, true)
            .returning(COURSE.ID)
            .fetchSingle(COURSE.ID);
    return id;
  }

  /** A scale to begin with, so that outcomes can be written at once. */
  public void addPlainScale(CourseId course) {
    db.insertInto(SCALE)
        .set(SCALE.COURSE_ID, course)
        .set(SCALE.NAME, "Three levels")
        .set(
            SCALE.LEVELS,
            List.of(
                new Scale.Level(0, "Not yet", 1, "Cannot do it yet."),
                new Scale.Level(1, "Nearly", 2, "Does part of it, or with help."),
                new Scale.Level(2, "Can do it", 3, "Does it alone and reliably.")))
        .set(SCALE.MASTERY, 2)
        .execute();
  }
}
