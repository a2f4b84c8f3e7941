package yendrik.server.design.copying;

import static yendrik.schema.Tables.BADGE;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.REHEARSAL;
import static yendrik.schema.Tables.RUBRIC;
import static yendrik.schema.Tables.SESSION;
import static yendrik.schema.Tables.STEP;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.Table;
import org.jooq.TableField;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.server.http.Problem;

/** Winds a practice course back to empty, and brings back what was in it. */
@Service
@Transactional
public class Emptying {
  /** Rows of a course that are taken away by a moment. */
  private record Part(
      Table<?> table, TableField<?, CourseId> course, TableField<?, Instant> deletedAt) {}

  private static final List<Part> PARTS =
      List.of(
          new Part(STEP, STEP.COURSE_ID, STEP.DELETED_AT),
          new Part(MODULE, MODULE.COURSE_ID, MODULE.DELETED_AT),
          new Part(BADGE, BADGE.COURSE_ID, BADGE.DELETED_AT),
          new Part(RUBRIC, RUBRIC.COURSE_ID, RUBRIC.DELETED_AT),
          new Part(OUTCOME, OUTCOME.COURSE_ID, OUTCOME.DELETED_AT),
          new Part(REHEARSAL, REHEARSAL.COURSE_ID, REHEARSAL.DELETED_AT),
          new Part(SESSION, SESSION.COURSE_ID, SESSION.DELETED_AT));

  private final DSLContext db;
  private final Clock clock;

  Emptying(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /** Whether a course is there to try things in and has no learners. */
  @Transactional(readOnly = true)
  public boolean practice(CourseId course) {
    return db.fetchExists(COURSE, COURSE.ID.eq(course), COURSE.PRACTICE.isTrue());
  }

  /**
   * Takes everything away that was planned.
   *
   * @return the moment by which it can be brought back
   */
  public Instant empty(CourseId course) {
    if (!practice(course)) throw Problem.conflict("not-a-practice-course");
    db.selectOne().from(COURSE).where(COURSE.ID.eq(course)).forUpdate().fetch();
    Instant at = clock.instant().truncatedTo(ChronoUnit.MICROS);
    int gone = 0;
    for (Part part : PARTS)
      gone +=
          db.update(part.table())
              .set(part.deletedAt(), at)
              .where(part.course().eq(course), part.deletedAt().isNull())
              .execute();
    if (gone == 0) throw Problem.conflict("empty-already");
    return at;
  }

  /** Brings back what was taken away at this moment, unless something has come into its place. */
  public void bringBack(CourseId course, Instant at) {
    if (!practice(course)) throw Problem.conflict("not-a-practice-course");
    if (db.fetchExists(MODULE, MODULE.COURSE_ID.eq(course), MODULE.DELETED_AT.isNull())
        || db.fetchExists(OUTCOME, OUTCOME.COURSE_ID.eq(course), OUTCOME.DELETED_AT.isNull()))
      throw Problem.conflict("worked-on-since");
    for (Part part : PARTS)
      db.update(part.table())
          .setNull(part.deletedAt())
          .where(part.course().eq(course), part.deletedAt().eq(at))
          .execute();
  }
}
