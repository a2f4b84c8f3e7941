package yendrik.server.design.copying;

import static yendrik.schema.Tables.BADGE;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.RUBRIC;
import static yendrik.schema.Tables.STEP;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.jooq.DSLContext;
import org.jooq.TableField;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.server.http.Problem;

/** Winds a practice course back to empty, and brings back what was in it. */
@Service
@Transactional
public class Emptying {
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
    mark(STEP.COURSE_ID, STEP.DELETED_AT, course, at);
    mark(MODULE.COURSE_ID, MODULE.DELETED_AT, course, at);
    mark(BADGE.COURSE_ID, BADGE.DELETED_AT, course, at);
    mark(RUBRIC.COURSE_ID, RUBRIC.DELETED_AT, course, at);
    mark(OUTCOME.COURSE_ID, OUTCOME.DELETED_AT, course, at);
    return at;
  }

  private void mark(
      TableField<?, CourseId> of, TableField<?, Instant> deletedAt, CourseId course, Instant at) {
    db.update(java.util.Objects.requireNonNull(of.getTable()))
        .set(deletedAt, at)
        .where(of.eq(course), deletedAt.isNull())
        .execute();
  }

  /** Brings back what was taken away at this moment, unless something has come into its place. */
  public void bringBack(CourseId course, Instant at) {
    if (!practice(course)) throw Problem.conflict("not-a-practice-course");
    if (db.fetchExists(MODULE, MODULE.COURSE_ID.eq(course), MODULE.DELETED_AT.isNull())
        || db.fetchExists(OUTCOME, OUTCOME.COURSE_ID.eq(course), OUTCOME.DELETED_AT.isNull()))
      throw Problem.conflict("worked-on-since");
    unmark(STEP.COURSE_ID, STEP.DELETED_AT, course, at);
    unmark(MODULE.COURSE_ID, MODULE.DELETED_AT, course, at);
    unmark(BADGE.COURSE_ID, BADGE.DELETED_AT, course, at);
    unmark(RUBRIC.COURSE_ID, RUBRIC.DELETED_AT, course, at);
    unmark(OUTCOME.COURSE_ID, OUTCOME.DELETED_AT, course, at);
  }

  private void unmark(
      TableField<?, CourseId> of, TableField<?, Instant> deletedAt, CourseId course, Instant at) {
    db.update(java.util.Objects.requireNonNull(of.getTable()))
        .setNull(deletedAt)
        .where(of.eq(course), deletedAt.eq(at))
        .execute();
  }
}
