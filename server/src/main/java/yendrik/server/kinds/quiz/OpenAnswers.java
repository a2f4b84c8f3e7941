package yendrik.server.kinds.quiz;

import static yendrik.schema.Tables.ATTEMPT;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.Refusal;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Quiz;
import yendrik.core.quiz.kinds.open.TextWanted;
import yendrik.core.quiz.kinds.open.Told;
import yendrik.schema.tables.records.AttemptRecord;
import yendrik.server.design.AlsoAssesses;
import yendrik.server.design.Designs;
import yendrik.server.design.RubricForms;
import yendrik.server.http.Problem;
import yendrik.server.kinds.quiz.correction.CorrectionRows;
import yendrik.server.kinds.quiz.question.KeptResult;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Added;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.work.AlsoWaits;
import yendrik.server.work.Versions;

/** Texts in attempts that staff mark. */
@Service
@Transactional
public class OpenAnswers implements AlsoWaits, AlsoAssesses {
  private final DSLContext db;
  private final Walks walks;
  private final Learners learners;
  private final Designs designs;
  private final Questions questions;
  private final CorrectionRows corrections;

  OpenAnswers(
      DSLContext db,
      Walks walks,
      Learners learners,
      Designs designs,
      Questions questions,
      CorrectionRows corrections) {
    this.db = db;
    this.walks = walks;
    this.learners = learners;
    this.designs = designs;
    this.questions = questions;
    this.corrections = corrections;
  }

  /**
   * An attempt with texts that staff mark.
   *
   * @param points of all that is marked
   * @param waits how many answers are still to be marked
   */
  @Schema(name = "OpenAttempt")
  record AttemptView(
      int number,
      Instant finished,
      double points,
      double of,
      int waits,
      List<OpenAnswerView> answers) {}

  /**
   * @param given safe HTML, empty where nothing was written
   * @param points that staff gave, if they have
   * @param rubric to assess it with, if any
   * @param met what was seen met of it
   */
  @Schema(name = "OpenAnswer")
  record OpenAnswerView(
      String question,
      String text,
      String expected,
      String given,
      double of,
      Optional<Double> points,
      String comment,
      Optional<RubricForms.Sheet> rubric,
      List<RubricForms.MetView> met) {}

  /** Attempts with texts, those that wait first. */
  @Transactional(readOnly = true)
  public List<AttemptView> of(Seat seat, EnrolmentId enrolment, StepId step) {
    learners.one(seat, enrolment);
    Walk walk = walks.see(enrolment);
    known(walk, step);
    return db
        .selectFrom(ATTEMPT)
        .where(
            ATTEMPT.ENROLMENT_ID.eq(enrolment),
            ATTEMPT.STEP_ID.eq(step),
            ATTEMPT.FINISHED_AT.isNotNull())
        .orderBy(ATTEMPT.NUMBER.desc())
        .fetch()
        .stream()
        .map(row -> view(corrected(walk, row)))
        .filter(view -> !view.answers().isEmpty())
        .sorted((a, b) -> Boolean.compare(b.waits() > 0, a.waits() > 0))
        .toList();
  }

  private Running corrected(Walk walk, AttemptRecord row) {
    return Running.of(walk, row, designs, questions)
        .corrected(corrections.of(row.getStepId()).under(row.getDesignVersion()));
  }

  private AttemptView view(Running attempt) {
    AttemptRecord row = attempt.row();
    Quiz.Result result = KeptResult.read(row.getResult());
    var given = questions.answers(row.getAnswers());
    return new AttemptView(
        row.getNumber(),
        row.getFinishedAt(),
        result.points(),
        result.of(),
        attempt.quiz().waits(result),
        attempt.questions().stream()
            .filter(q -> q.asked() instanceof TextWanted)
            .filter(q -> !attempt.quiz().leftOut().contains(q.id()))
            .filter(q -> !attempt.quiz().fullMarks().contains(q.id()))
            .map(q ->
                answer(
                    attempt, q, result, given.get(q.id()) instanceof Told told ? told.text() : ""))
            .toList());
  }

  private static OpenAnswerView answer(
      Running attempt, Question q, Quiz.Result result, String given) {
    Optional<Quiz.Answered> answered =
        result.answers().stream().filter(a -> a.question().equals(q.id())).findFirst();
    return new OpenAnswerView(
        q.id(),
        q.text(),
        q.asked() instanceof TextWanted wanted ? wanted.expected() : "",
        given,
        q.points(),
        answered.filter(a -> a.mark() instanceof Mark.Marked).map(Quiz.Answered::points),
        answered.map(Quiz.Answered::comment).orElse(""),
        attempt.sheet(q),
        answered.flatMap(a -> attempt.filled(q, a)).map(RubricForms.Filled::met).orElse(List.of()));
  }

  /**
   * Marks texts of an attempt, in place of what was given for them before. What the attempt comes
   * to is corrected, and with it all that follows.
   */
  public void mark(
      Seat seat, EnrolmentId enrolment, StepId step, int number, Map<String, Quiz.Judged> judged) {
    learners.one(seat, enrolment);
    walks.change(
        enrolment,
        Optional.of(seat.person().id()),
        walk -> {
          known(walk, step);
          AttemptRecord row =
              db.selectFrom(ATTEMPT)
                  .where(
                      ATTEMPT.ENROLMENT_ID.eq(enrolment),
                      ATTEMPT.STEP_ID.eq(step),
                      ATTEMPT.NUMBER.eq(number),
                      ATTEMPT.FINISHED_AT.isNotNull())
                  .forUpdate()
                  .fetchOptional()
                  .orElseThrow(() -> Problem.notFound("finished attempt"));
          Running attempt = corrected(walk, row);
          attempt.questions().forEach(q -> checkMet(attempt, q, judged.get(q.id())));
          Quiz.Result before = KeptResult.read(row.getResult());
          Quiz.Result after = judged(attempt.quiz(), before, judged);
          if (after.equals(before)) return List.of();
          Attempts.setResult(attempt, after);
          row.update();
          return List.of(
              Added.inPlaceOf(attempt.finishedFact(), Attempts.finished(attempt, after)));
        });
  }

  private static void checkMet(Running attempt, Question q, Quiz.@Nullable Judged judged) {
    if (judged == null || judged.met().isEmpty()) return;
    try {
      attempt.rubric(q).orElseThrow(() -> Problem.field("marks", "no-rubric")).check(judged.met());
    } catch (Refusal e) {
      throw Problem.field("marks", "rubric-changed-meanwhile", "why", e.reason());
    }
  }

  private static Quiz.Result judged(
      Quiz quiz, Quiz.Result before, Map<String, Quiz.Judged> judged) {
    try {
      return quiz.judged(before, judged);
    } catch (Refusal e) {
      throw Problem.field("marks", "marks-not-for-these", "why", e.reason());
    }
  }

  private static void known(Walk walk, StepId step) {
    if (walk.index().number(step) == CourseIndex.UNKNOWN) throw Problem.notFound("step");
  }

  @Override
  @Transactional(readOnly = true)
  public int withRubric(Set<StepId> steps) {
    return db.fetchCount(ATTEMPT, ATTEMPT.STEP_ID.in(steps), KeptResult.withRubric(ATTEMPT.RESULT));
  }

  @Override
  @Transactional(readOnly = true)
  public Map<Versions.Place, Instant> since(Collection<EnrolmentId> enrolments) {
    Map<Versions.Place, Instant> since = new HashMap<>();
    db.select(ATTEMPT.ENROLMENT_ID, ATTEMPT.STEP_ID, DSL.min(ATTEMPT.FINISHED_AT))
        .from(ATTEMPT)
        .where(ATTEMPT.ENROLMENT_ID.in(enrolments), ATTEMPT.WAITS.gt(0))
        .groupBy(ATTEMPT.ENROLMENT_ID, ATTEMPT.STEP_ID)
        .forEach(row -> since.put(new Versions.Place(row.value1(), row.value2()), row.value3()));
    return since;
  }
}
