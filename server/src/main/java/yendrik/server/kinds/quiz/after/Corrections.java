package yendrik.server.kinds.quiz.after;

import static yendrik.schema.Tables.ATTEMPT;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Correction;
import yendrik.core.quiz.Question;
import yendrik.schema.tables.records.AttemptRecord;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.kinds.quiz.QuizContent;
import yendrik.server.kinds.quiz.correction.CorrectionRows;
import yendrik.server.kinds.quiz.correction.CorrectionRows.What;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.people.People;
import yendrik.server.people.Seat;
import yendrik.server.way.Impacts;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Puts questions right after they were asked, and says beforehand what that does. */
@Service
@Transactional
public class Corrections {
  private static final int AT_ONCE = 100;
  private static final int SHOWN = 300;
  private final DSLContext db;
  private final Walks walks;
  private final Designs designs;
  private final Questions questions;
  private final CorrectionRows rows;
  private final Remarking remarking;
  private final People people;
  private final Institutions institutions;

  Corrections(
      DSLContext db,
      Walks walks,
      Designs designs,
      Questions questions,
      CorrectionRows rows,
      Remarking remarking,
      People people,
      Institutions institutions) {
    this.db = db;
    this.walks = walks;
    this.designs = designs;
    this.questions = questions;
    this.rows = rows;
    this.remarking = remarking;
    this.people = people;
    this.institutions = institutions;
  }

  /**
   * What a correction would do.
   *
   * @param attempts how many attempts would be marked otherwise
   * @param scores the first of them, those that change most first
   */
  @Schema(name = "CorrectionEffect")
  public record Effect(int attempts, List<ScoreChange> scores, List<Impacts.Change> changes) {}

  /**
   * @param before and after as shares from 0 to 1
   */
  @Schema(name = "ScoreChange")
  public record ScoreChange(String learner, int attempt, double before, double after) {}

  /** What the question asks now, where that is what attempts are to be marked by. */
  private Optional<ObjectNode> part(CourseId course, StepId step, String question, What what) {
    Question asked = asked(course, step, question);
    if (what != What.RIGHT_ANSWER) return Optional.empty();
    Question now =
        find(designs.draft(course).contents().get(step), question)
            .orElseThrow(() -> Problem.conflict("question-gone-from-draft"));
    if (now.asked().kind() != asked.asked().kind())
      throw Problem.conflict("question-of-another-kind-now");
    if (!now.asked().lacks().isEmpty())
      throw Problem.conflict("question-lacks-now", "lacks", now.asked().lacks().getFirst().words());
    if (now.asked().equals(asked.asked())) throw Problem.conflict("question-as-it-was");
    return Optional.of(questions.part(now));
  }

  private Question asked(CourseId course, StepId step, String question) {
    return designs
        .published(course)
        .flatMap(ready -> find(ready.document().contents().get(step), question))
        .or(() -> askedOnce(course, step, question))
        .orElseThrow(() -> Problem.notFound("question"));
  }

  /** A question that is not published any more, but was. */
  private Optional<Question> askedOnce(CourseId course, StepId step, String question) {
    return db
        .selectDistinct(ATTEMPT.DESIGN_VERSION)
        .from(ATTEMPT)
        .join(ENROLMENT)
        .on(ENROLMENT.ID.eq(ATTEMPT.ENROLMENT_ID))
        .where(
            ATTEMPT.STEP_ID.eq(step), ENROLMENT.COURSE_ID.eq(course), ATTEMPT.DESIGN_VERSION.gt(0))
        .orderBy(ATTEMPT.DESIGN_VERSION.desc())
        .fetch(ATTEMPT.DESIGN_VERSION)
        .stream()
        .map(version -> designs.version(course, version).document().contents().get(step))
        .flatMap(content -> find(content, question).stream())
        .findFirst();
  }

  private Optional<Question> find(@org.jspecify.annotations.Nullable Object content, String id) {
    if (!(content instanceof QuizContent quiz)) return Optional.empty();
    return questions.asking(quiz.questions(), quiz.draws()).all().questions().stream()
        .filter(q -> q.id().equals(id))
        .findFirst();
  }

  /** What would become of learners. */
  @Transactional(readOnly = true)
  public Effect effect(CourseId course, StepId step, String question, What what) {
    Optional<ObjectNode> part = part(course, step, question, what);
    Correction next =
        switch (what) {
          case LEFT_OUT -> new Correction.LeftOut(question);
          case FULL_MARKS -> new Correction.FullMarks(question);
          case RIGHT_ANSWER ->
              new Correction.RightAnswer(question, questions.asked(part.orElseThrow()));
        };
    List<CorrectionRows.Kept> all = new ArrayList<>(rows.of(step).all());
    all.add(new CorrectionRows.Kept(Long.MAX_VALUE, next, published(course)));
    return effect(step, new CorrectionRows.OfStep(all));
  }

  /** What would become of learners if a correction were taken back. */
  @Transactional(readOnly = true)
  public Effect effectWithout(CourseId course, StepId step, long id) {
    if (!rows.holds(course, step, id)) throw Problem.notFound("correction");
    return effect(
        step,
        new CorrectionRows.OfStep(
            rows.of(step).all().stream().filter(kept -> kept.id() != id).toList()));
  }

  private Effect effect(StepId step, CorrectionRows.OfStep all) {
    List<EnrolmentId> learners = remarking.learners(step);
    Impacts impacts = new Impacts();
    List<ScoreChange> scores = new ArrayList<>();
    for (int from = 0; from < learners.size(); from += AT_ONCE) {
      List<EnrolmentId> some = learners.subList(from, Math.min(from + AT_ONCE, learners.size()));
      Map<EnrolmentId, List<AttemptRecord>> attempts = attempts(step, some);
      List<Walk> ways = walks.seeAll(some);
      Map<PersonId, String> names = people.names(ways.stream().map(Walk::person).toList());
      for (Walk walk : ways) {
        List<Remarking.Anew> changed =
            remarking.anew(walk, attempts.getOrDefault(walk.enrolment(), List.of()), all).stream()
                .filter(Remarking.Anew::changes)
                .toList();
        if (changed.isEmpty()) continue;
        String name = names.getOrDefault(walk.person(), "");
        for (Remarking.Anew one : changed)
          scores.add(
              new ScoreChange(
                  name,
                  one.attempt().row().getNumber(),
                  one.before().share(),
                  one.after().share()));
        impacts.add(
            name,
            walk.progress(),
            walks.supposing(walk, changed.stream().map(Remarking.Anew::added).toList()));
      }
    }
    return new Effect(
        scores.size(),
        scores.stream()
            .sorted(
                Comparator.comparingDouble((ScoreChange s) -> -Math.abs(s.after() - s.before()))
                    .thenComparing(ScoreChange::learner)
                    .thenComparing(ScoreChange::attempt))
            .limit(SHOWN)
            .toList(),
        impacts.said(institutions));
  }

  private Map<EnrolmentId, List<AttemptRecord>> attempts(StepId step, List<EnrolmentId> some) {
    Map<EnrolmentId, List<AttemptRecord>> attempts = new HashMap<>();
    db.selectFrom(ATTEMPT)
        .where(
            ATTEMPT.STEP_ID.eq(step),
            ATTEMPT.ENROLMENT_ID.in(some),
            ATTEMPT.FINISHED_AT.isNotNull())
        .orderBy(ATTEMPT.NUMBER)
        .forEach(
            row -> attempts.computeIfAbsent(row.getEnrolmentId(), _ -> new ArrayList<>()).add(row));
    return attempts;
  }

  private int published(CourseId course) {
    return db.select(COURSE.PUBLISHED_VERSION)
        .from(COURSE)
        .where(COURSE.ID.eq(course))
        .fetchSingle()
        .value1();
  }

  /** Keeps a correction; attempts are marked by it after that. */
  public void add(Seat seat, StepId step, String question, What what, String reason) {
    Optional<ObjectNode> part = part(seat.course(), step, question, what);
    rows.add(
        seat.course(),
        step,
        question,
        what,
        part,
        published(seat.course()),
        reason.strip(),
        seat.person().id());
  }

  /** Takes a correction back; attempts are marked anew after that. */
  public void takeBack(Seat seat, StepId step, long id) {
    if (!rows.takeBack(seat.course(), step, id, seat.person().id()))
      throw Problem.notFound("correction");
  }
}
