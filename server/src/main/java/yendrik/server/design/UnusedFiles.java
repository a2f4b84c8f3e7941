package yendrik.server.design;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.COURSE_VERSION;
import static yendrik.schema.Tables.PLANNED_PUBLICATION;
import static yendrik.schema.Tables.STEP;

import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import yendrik.core.id.CourseId;
import yendrik.server.files.Clearing;

/**
 * Finds out which files are used: by a draft, by what was taken away lately, by a publication, one
 * to come too.
 */
@Service
public class UnusedFiles {
  private final DSLContext db;
  private final StepAuthors rooms;
  private final Clearing clearing;
  private final List<UsesFiles> others;
  private final Clock clock;

  UnusedFiles(
      DSLContext db, StepAuthors rooms, Clearing clearing, List<UsesFiles> others, Clock clock) {
    this.db = db;
    this.rooms = rooms;
    this.clearing = clearing;
    this.others = List.copyOf(others);
    this.clock = clock;
  }

  /**
   * Takes away what has not been used for long, in all courses. Each course and each content is an
   * act of its own: what has left the folder cannot come back with a transaction that fails.
   */
  public int clear() {
    for (CourseId course : db.select(COURSE.ID).from(COURSE).fetch(COURSE.ID))
      clearing.used(course, used(course));
    return clearing.clear();
  }

  private Set<Long> used(CourseId course) {
    Set<Long> used = new HashSet<>();
    db.selectFrom(STEP)
        .where(
            STEP.COURSE_ID.eq(course),
            STEP.DELETED_AT.isNull().or(STEP.DELETED_AT.gt(clock.instant().minus(Clearing.KEPT))))
        .forEach(s -> used.addAll(rooms.read(s.getKind(), s.getContent()).files()));
    db.select(COURSE_VERSION.DOCUMENT)
        .from(COURSE_VERSION)
        .where(COURSE_VERSION.COURSE_ID.eq(course))
        .unionAll(
            db.select(PLANNED_PUBLICATION.DOCUMENT)
                .from(PLANNED_PUBLICATION)
                .where(PLANNED_PUBLICATION.COURSE_ID.eq(course)))
        .forEach(v ->
            Documents.read(v.value1(), rooms)
                .contents()
                .values()
                .forEach(c -> used.addAll(c.files())));
    others.forEach(o -> used.addAll(o.files(course)));
    return used;
  }
}
