package yendrik.server.kinds.quiz;

import static yendrik.schema.Tables.ATTEMPT;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Answer;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Quiz;
import yendrik.core.record.LearnerRecord;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.words.Phrase;
import yendrik.schema.tables.records.AttemptRecord;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.kinds.quiz.AttemptViews.AnswerView;
import yendrik.server.kinds.quiz.AttemptViews.AttemptView;
import yendrik.server.kinds.quiz.AttemptViews.ResultView;
import yendrik.server.kinds.quiz.AttemptViews.Verdict;
import yendrik.server.kinds.quiz.question.Dealt;
import yendrik.server.kinds.quiz.question.GivenAnswer;
import yendrik.server.kinds.quiz.question.KeptResult;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.learn.StepDoor;
import yendrik.server.learn.StepPages;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.way.Way;

/** Attempts at quizzes. */
@Service
@Transactional
public class Attempts {
  private static final SecureRandom SEEDS = new SecureRandom();

  private final DSLContext db;
  private final Walks walks;
  private final Designs designs;
  private final Questions questions;
  private final Clock clock;

  Attempts(DSLContext db, Walks walks, Designs designs, Questions questions, Clock clock) {
    this.db = db;
    this.walks = walks;
    this.designs = designs;
    this.questions = questions;
    this.clock = clock;
  }

  /** What learners see before they begin. */
  QuizShown shown(Walk walk, int s) {
    QuizContent content = walk.content(s, QuizContent.class);
    Step step = walk.step(s);
    LearnerRecord record = walk.progress().record();
    List<QuizShown.AttemptLine> lines =
        attempts(walk.enrolment(), step.id()).stream()
            .map(a ->
                new QuizShown.AttemptLine(
                    a.getNumber(),
                    Optional.ofNullable(a.getFinishedAt()),
                    Optional.ofNullable(a.getResult()).map(r -> KeptResult.read(r).share())))
            .toList();
    int current =
        lines.stream()
            .filter(l -> l.finished().isEmpty())
            .mapToInt(QuizShown.AttemptLine::number)
            .findFirst()
            .orElse(0);
    return new QuizShown(
        content.questions().size(),
        questions.quiz(content.questions()).points(),
        step.scoring().passMark(),
        left(record, s),
        current,
        record.scored(s) ? Optional.of(record.score(s)) : Optional.empty(),
        lines);
  }

  private static int left(LearnerRecord record, int s) {
    int left = AttemptsStrand.of(record).left(s);
    return left == Integer.MAX_VALUE ? -1 : left;
  }

  private List<AttemptRecord> attempts(EnrolmentId enrolment, StepId step) {
    return db.selectFrom(ATTEMPT)
        .where(ATTEMPT.ENROLMENT_ID.eq(enrolment), ATTEMPT.STEP_ID.eq(step))
        .orderBy(ATTEMPT.NUMBER)
        .fetch();
  }

  /**
   * Begins an attempt, or goes on with the one that is not finished. Decided while the enrolment is
   * locked, so that no more are begun than are allowed.
   */
  public AttemptView begin(EnrolmentId enrolment, PersonId person, StepId step) {
    var id = step;
    List<AttemptRecord> current = new ArrayList<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              int s = StepDoor.usable(w, step, StepKind.QUIZ);
              List<AttemptRecord> rows = attempts(enrolment, id);
              rows.stream().filter(a -> a.getFinishedAt() == null).forEach(current::add);
              if (!current.isEmpty()) return List.of();
              Step design = w.step(s);
              List<Phrase> faults =
                  QuizFaults.of(
                      design.name(), questions.quiz(w.content(s, QuizContent.class).questions()));
              if (!faults.isEmpty()) throw Problem.conflict(faults.getFirst());
              int allowed = AttemptsStrand.of(w.progress().record()).allowed(s);
              if (allowed > 0 && rows.size() >= allowed) throw Problem.conflict("attempts-used");
              int number = rows.stream().mapToInt(AttemptRecord::getNumber).max().orElse(0) + 1;
              current.add(fresh(w, step, number));
              return List.of(new AttemptFact.StartedAttempt(id, number));
            });
    return attempt(walk, current.getFirst());
  }

  private AttemptRecord fresh(Walk walk, StepId step, int number) {
    AttemptRecord row = db.newRecord(ATTEMPT);
    row.setEnrolmentId(walk.enrolment());
    row.setStepId(step);
    row.setNumber(number);
    row.setDesignVersion(walk.practice() ? 0 : walk.ready().version());
    row.setStartedAt(clock.instant());
    row.setSeed(SEEDS.nextLong(1L << 52));
    row.insert();
    return row;
  }

  /**
   * The questions of an attempt are those under which it was begun, whatever was published since.
   */
  private Quiz asked(Walk walk, AttemptRecord row) {
    Designs.Ready then =
        row.getDesignVersion() == 0
            ? walk.ready()
            : designs.version(walk.course(), row.getDesignVersion());
    return questions.quiz(then.document().content(row.getStepId(), QuizContent.class).questions());
  }

  private AttemptView attempt(Walk walk, AttemptRecord row) {
    Quiz quiz = asked(walk, row);
    var dealt = new Dealt(row.getSeed());
    return new AttemptView(
        row.getNumber(),
        quiz.questions().stream().map(q -> questions.ask(q, dealt)).toList(),
        questions.given(quiz, dealt, questions.answers(row.getAnswers())));
  }

  /** Keeps answers while an attempt goes on, so that nothing is lost. */
  public void keep(
      EnrolmentId enrolment, StepId step, int number, Map<String, GivenAnswer> answers) {
    Walk walk = walks.see(enrolment);
    StepDoor.known(walk, step);
    AttemptRecord row =
        one(enrolment, step, number)
            .filter(a -> a.getFinishedAt() == null)
            .orElseThrow(() -> Problem.conflict("attempt-not-open"));
    Quiz quiz = asked(walk, row);
    var given = questions.answers(quiz, new Dealt(row.getSeed()), answers);
    int rows =
        db.update(ATTEMPT)
            .set(ATTEMPT.ANSWERS, questions.keep(quiz, given))
            .where(
                ATTEMPT.ENROLMENT_ID.eq(enrolment),
                ATTEMPT.STEP_ID.eq(step),
                ATTEMPT.NUMBER.eq(number),
                ATTEMPT.FINISHED_AT.isNull())
            .execute();
    if (rows == 0) throw Problem.conflict("attempt-not-open");
  }

  private Optional<AttemptRecord> one(EnrolmentId enrolment, StepId step, int number) {
    return db.selectFrom(ATTEMPT)
        .where(
            ATTEMPT.ENROLMENT_ID.eq(enrolment), ATTEMPT.STEP_ID.eq(step), ATTEMPT.NUMBER.eq(number))
        .fetchOptional();
  }

  /**
   * Hands an attempt in and marks it at once. The same answers handed in again give the same
   * result.
   */
  public ResultView finish(
      EnrolmentId enrolment,
      PersonId person,
      StepId step,
      int number,
      Map<String, GivenAnswer> answers) {
    var id = step;
    Set<String> before = new HashSet<>();
    List<AttemptRecord> rows = new ArrayList<>();
    List<Quiz.Result> results = new ArrayList<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              StepDoor.known(w, step);
              AttemptRecord row =
                  one(enrolment, step, number).orElseThrow(() -> Problem.notFound("attempt"));
              Quiz quiz = asked(w, row);
              var given = questions.answers(quiz, new Dealt(row.getSeed()), answers);
              rows.add(row);
              before.addAll(StepPages.openNames(w.progress()));
              if (row.getFinishedAt() != null) {
                if (!given.equals(questions.answers(row.getAnswers())))
                  throw Problem.conflict("attempt-finished");
                results.add(KeptResult.read(row.getResult()));
                return List.of();
              }
              StepDoor.usable(w, step, StepKind.QUIZ);
              Quiz.Result result = quiz.mark(given);
              results.add(result);
              row.setAnswers(questions.keep(quiz, given));
              row.setFinishedAt(clock.instant());
              row.setResult(KeptResult.of(result));
              row.update();
              return List.of(
                  new AttemptFact.FinishedAttempt(
                      id, number, result.points(), result.of(), quiz.parts(result)));
            });
    return result(
        walk, rows.getFirst(), results.getFirst(), StepPages.opened(before, walk.progress()));
  }

  /** A finished attempt with what was right and wrong. */
  @Transactional(readOnly = true)
  public ResultView review(Way way, StepId step, int number) {
    Walk walk = walks.see(way);
    StepDoor.open(walk, step, StepKind.QUIZ);
    AttemptRecord row =
        attempts(way.enrolment(), step).stream()
            .filter(a -> a.getNumber() == number && a.getFinishedAt() != null)
            .findFirst()
            .orElseThrow(() -> Problem.notFound("finished attempt"));
    return result(walk, row, KeptResult.read(row.getResult()), List.of());
  }

  private ResultView result(Walk walk, AttemptRecord row, Quiz.Result result, List<String> opened) {
    int s = walk.progress().course().index().number(row.getStepId());
    Step step = walk.step(s);
    List<AnswerView> answers = new ArrayList<>();
    Map<String, Answer> given = questions.answers(row.getAnswers());
    for (Question q : asked(walk, row).questions())
      result.answers().stream()
          .filter(a -> a.question().equals(q.id()))
          .findFirst()
          .ifPresent(a ->
              answers.add(
                  new AnswerView(
                      q.id(),
                      q.text(),
                      verdict(a.mark()),
                      a.points(),
                      q.points(),
                      q.feedback(),
                      questions.review(
                          q,
                          Optional.ofNullable(given.get(q.id())),
                          a.mark().equals(Mark.WHOLE) || nothingToGain(walk, s)))));
    boolean passed = result.share() >= step.scoring().passMark() - 1e-9;
    return new ResultView(
        row.getNumber(),
        result.points(),
        result.of(),
        passed,
        left(walk.progress().record(), s),
        answers,
        opened);
  }

  /** The right answers are shown once nothing more can be gained from knowing them. */
  private static boolean nothingToGain(Walk walk, int s) {
    LearnerRecord record = walk.progress().record();
    return record.score(s) >= 1 - 1e-9 || AttemptsStrand.of(record).left(s) == 0;
  }

  private static Verdict verdict(Mark mark) {
    return switch (mark) {
      case Mark.ForStaff() -> Verdict.FOR_STAFF;
      case Mark.Marked(double share) ->
          share >= 1 ? Verdict.RIGHT : share > 0 ? Verdict.PARTLY : Verdict.WRONG;
    };
  }
}
