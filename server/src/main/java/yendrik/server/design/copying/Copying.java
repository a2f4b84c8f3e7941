package yendrik.server.design.copying;

import static yendrik.schema.Tables.COURSE;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.server.design.CopiesQuestions;
import yendrik.server.design.Designs;
import yendrik.server.design.StepAuthors;
import yendrik.server.design.Usuals;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;

/**
 * Copies modules and steps from one course to another with all that they need there: outcomes with
 * their scales, rubrics, badges, files. Rules follow as far as what they ask about is there; what
 * could not follow is said.
 */
@Service
@Transactional
public class Copying {
  /** What becomes of dates. */
  public enum Dates {
    /** As long after the start of the course as before. */
    WITH_COURSE,
    AS_THEY_ARE,
    NONE
  }

  /**
   * What is copied.
   *
   * @param steps single ones, of modules that are not copied whole
   * @param badges single ones; those of whole modules come with these
   * @param into where single steps go; without it they make a module of their own
   * @param everything all there is in the course, whatever is named
   */
  record Selection(
      Set<ModuleId> modules,
      Set<StepId> steps,
      Set<BadgeId> badges,
      Optional<ModuleId> into,
      boolean everything) {}

  /**
   * What came of it.
   *
   * @param left what could not follow, in sentences
   */
  @Schema(name = "CopyReport")
  record Report(
      List<ModuleId> modules,
      List<StepId> steps,
      List<BadgeId> badges,
      int outcomes,
      int rubrics,
      int files,
      List<String> left) {}

  /** What a copy is made with. */
  record With(
      DSLContext db,
      Designs designs,
      StepAuthors rooms,
      Files files,
      CopiesQuestions questions,
      Usuals usuals,
      Institutions institutions,
      Clock clock) {}

  private final DSLContext db;
  private final With with;

  Copying(
      DSLContext db,
      Designs designs,
      StepAuthors rooms,
      Files files,
      CopiesQuestions questions,
      Usuals usuals,
      Institutions institutions,
      Clock clock) {
    this.db = db;
    with = new With(db, designs, rooms, files, questions, usuals, institutions, clock);
  }

  Report copy(CourseId from, CourseId to, Selection what, Dates dates) {
    // Always the same one first, so that two who copy to and fro wait and do not block.
    db.select(COURSE.ID)
        .from(COURSE)
        .where(COURSE.ID.in(from, to))
        .orderBy(COURSE.ID)
        .forUpdate()
        .fetch();
    if (db.fetchExists(COURSE, COURSE.ID.eq(to), COURSE.FRAMEWORK.isTrue()))
      throw Problem.conflict("framework-without-modules");
    return new OneCopy(with, from, to, what, dates).make();
  }
}
