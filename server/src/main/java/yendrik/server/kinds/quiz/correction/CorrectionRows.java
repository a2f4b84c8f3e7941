package yendrik.server.kinds.quiz.correction;

import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.QUESTION_CORRECTION;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Correction;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.QuestionCorrectionRecord;
import yendrik.server.kinds.quiz.question.Questions;

/** Corrections of questions as they are kept. */
@Component
public class CorrectionRows {
  private final DSLContext db;
  private final Questions questions;
  private final Clock clock;

  CorrectionRows(DSLContext db, Questions questions, Clock clock) {
    this.db = db;
    this.questions = questions;
    this.clock = clock;
  }

  /** What is done about a question. */
  @Schema(name = "CorrectionWhat")
  public enum What {
    /** Attempts are marked by the question as the draft has it now. */
    RIGHT_ANSWER,
    LEFT_OUT,
    FULL_MARKS
  }

  /** Corrections of the questions of a step. */
  public record OfStep(List<Kept> all) {
    /** Those that hold for attempts under a publication; made-up learners have none. */
    public List<Correction> under(int version) {
      if (version == 0) return List.of();
      return all.stream().filter(k -> k.upto() >= version).map(Kept::correction).toList();
    }
  }

  /**
   * @param upto the last publication for which it holds
   */
  public record Kept(long id, Correction correction, int upto) {}

  /** Those that hold for the step of a row, to be fetched with it. */
  public Field<OfStep> of(Field<StepId> step) {
    return DSL.multiset(
            DSL.selectFrom(QUESTION_CORRECTION)
                .where(
                    QUESTION_CORRECTION.STEP_ID.eq(step),
                    QUESTION_CORRECTION.TAKEN_BACK_AT.isNull())
                .orderBy(QUESTION_CORRECTION.ID))
        .convertFrom(rows -> new OfStep(rows.into(QUESTION_CORRECTION).map(this::kept)));
  }

  private Kept kept(QuestionCorrectionRecord row) {
    return new Kept(row.getId(), correction(row), row.getUptoVersion());
  }

  /** Those that hold, in the order in which they were made. */
  public OfStep of(StepId step) {
    return new OfStep(
        db.selectFrom(QUESTION_CORRECTION)
            .where(QUESTION_CORRECTION.STEP_ID.eq(step), QUESTION_CORRECTION.TAKEN_BACK_AT.isNull())
            .orderBy(QUESTION_CORRECTION.ID)
            .fetch(this::kept));
  }

  private Correction correction(QuestionCorrectionRecord row) {
    String question = row.getQuestion();
    return switch (What.valueOf(row.getWhat())) {
      case LEFT_OUT -> new Correction.LeftOut(question);
      case FULL_MARKS -> new Correction.FullMarks(question);
      case RIGHT_ANSWER ->
          new Correction.RightAnswer(
              question,
              questions.asked((ObjectNode) CoreJson.mapper().readTree(row.getPart().data())));
    };
  }

  /**
   * Keeps a correction; nothing is marked by that yet.
   *
   * @param part what the question asks instead, for another right answer
   */
  public long add(
      CourseId course,
      StepId step,
      String question,
      What what,
      Optional<ObjectNode> part,
      int upto,
      String reason,
      PersonId by) {
    QuestionCorrectionRecord row = db.newRecord(QUESTION_CORRECTION);
    row.setCourseId(course);
    row.setStepId(step);
    row.setQuestion(question);
    row.setWhat(what.name());
    row.setPart(part.map(p -> JSONB.valueOf(p.toString())).orElse(null));
    row.setUptoVersion(upto);
    row.setReason(reason);
    row.setChangedBy(by);
    row.setChangedAt(clock.instant());
    return db.insertInto(QUESTION_CORRECTION)
        .set(row)
        .returning(QUESTION_CORRECTION.ID)
        .fetchSingle(QUESTION_CORRECTION.ID);
  }

  /** Whether a correction was made there and not taken back. */
  public boolean holds(CourseId course, StepId step, long id) {
    return db.fetchExists(
        QUESTION_CORRECTION,
        QUESTION_CORRECTION.ID.eq(id),
        QUESTION_CORRECTION.COURSE_ID.eq(course),
        QUESTION_CORRECTION.STEP_ID.eq(step),
        QUESTION_CORRECTION.TAKEN_BACK_AT.isNull());
  }

  /** Takes a correction back, if it holds; attempts are marked anew after that. */
  public boolean takeBack(CourseId course, StepId step, long id, PersonId by) {
    return db.update(QUESTION_CORRECTION)
            .set(QUESTION_CORRECTION.TAKEN_BACK_AT, clock.instant())
            .set(QUESTION_CORRECTION.TAKEN_BACK_BY, by)
            .set(QUESTION_CORRECTION.MARKED, false)
            .where(
                QUESTION_CORRECTION.ID.eq(id),
                QUESTION_CORRECTION.COURSE_ID.eq(course),
                QUESTION_CORRECTION.STEP_ID.eq(step),
                QUESTION_CORRECTION.TAKEN_BACK_AT.isNull())
            .execute()
        > 0;
  }

  /** A correction in the history of a quiz. */
  @Schema(name = "QuestionCorrection")
  public record Told(
      long id,
      String question,
      What what,
      String reason,
      String by,
      Instant at,
      Optional<Instant> takenBack,
      boolean marked) {}

  /** All that were ever made at a step, the newest first. */
  public List<Told> history(StepId step) {
    return db.select(QUESTION_CORRECTION.fields())
        .select(PERSON.NAME)
        .from(QUESTION_CORRECTION)
        .join(PERSON)
        .on(PERSON.ID.eq(QUESTION_CORRECTION.CHANGED_BY))
        .where(QUESTION_CORRECTION.STEP_ID.eq(step))
        .orderBy(QUESTION_CORRECTION.ID.desc())
        .fetch(r -> {
          QuestionCorrectionRecord row = r.into(QUESTION_CORRECTION);
          return new Told(
              row.getId(),
              row.getQuestion(),
              What.valueOf(row.getWhat()),
              row.getReason(),
              r.get(PERSON.NAME),
              row.getChangedAt(),
              Optional.ofNullable(row.getTakenBackAt()),
              row.getMarked());
        });
  }

  /**
   * Corrections made or taken back at a step by which attempts are still to be marked.
   *
   * @param by who made or took back the last of them
   * @param holding those that were not taken back
   * @param gone those that were
   */
  public record ToMark(StepId step, PersonId by, List<Long> holding, List<Long> gone) {}

  /** Steps at which attempts are still to be marked anew. */
  public List<ToMark> toMark() {
    return db
        .selectFrom(QUESTION_CORRECTION)
        .where(QUESTION_CORRECTION.MARKED.isFalse())
        .orderBy(
            DSL.greatest(
                QUESTION_CORRECTION.CHANGED_AT,
                DSL.coalesce(QUESTION_CORRECTION.TAKEN_BACK_AT, QUESTION_CORRECTION.CHANGED_AT)),
            QUESTION_CORRECTION.ID)
        .fetch()
        .intoGroups(QUESTION_CORRECTION.STEP_ID)
        .entrySet()
        .stream()
        .map(e ->
            new ToMark(
                e.getKey(),
                by(e.getValue().getLast()),
                ids(e.getValue(), row -> row.getTakenBackAt() == null),
                ids(e.getValue(), row -> row.getTakenBackAt() != null)))
        .toList();
  }

  private static List<Long> ids(
      List<QuestionCorrectionRecord> rows, Predicate<QuestionCorrectionRecord> which) {
    return rows.stream().filter(which).map(QuestionCorrectionRecord::getId).toList();
  }

  private static PersonId by(QuestionCorrectionRecord row) {
    return Optional.ofNullable(row.getTakenBackBy()).orElse(row.getChangedBy());
  }

  /** Notes that attempts are marked by corrections, unless one was taken back meanwhile. */
  public void marked(ToMark done) {
    db.update(QUESTION_CORRECTION)
        .set(QUESTION_CORRECTION.MARKED, true)
        .where(
            QUESTION_CORRECTION
                .ID
                .in(done.holding())
                .and(QUESTION_CORRECTION.TAKEN_BACK_AT.isNull())
                .or(QUESTION_CORRECTION.ID.in(done.gone())))
        .execute();
  }
}
