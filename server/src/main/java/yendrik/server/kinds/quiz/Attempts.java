package yendrik.server.kinds.quiz;

import static yendrik.schema.Tables.ATTEMPT;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.Field;
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
import yendrik.core.quiz.taking.Pages;
import yendrik.core.quiz.taking.Span;
import yendrik.core.quiz.taking.Spent;
import yendrik.core.quiz.taking.Taking;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.words.Phrase;
import yendrik.schema.tables.records.AttemptRecord;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.kinds.quiz.AttemptViews.AnswerView;
import yendrik.server.kinds.quiz.AttemptViews.AttemptView;
import yendrik.server.kinds.quiz.AttemptViews.ClockView;
import yendrik.server.kinds.quiz.AttemptViews.ResultView;
import yendrik.server.kinds.quiz.correction.CorrectionRows;
import yendrik.server.kinds.quiz.question.AskedQuestion;
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
  private static final int AT_ONCE = 100;
  private static final Duration AGAIN_AFTER = Duration.ofMinutes(10);

  private final DSLContext db;
  private final Walks walks;
  private final Designs designs;
  private final Questions questions;
  private final AttemptReviews reviews;
  private final CorrectionRows corrections;
  private final Clock clock;

  Attempts(
      DSLContext db,
      Walks walks,
      Designs designs,
      Questions questions,
      AttemptReviews reviews,
      CorrectionRows corrections,
      Clock clock) {
    this.db = db;
    this.walks = walks;
    this.designs = designs;
    this.questions = questions;
    this.reviews = reviews;
    this.corrections = corrections;
    this.clock = clock;
  }

  /** What learners see before they begin. */
  QuizShown shown(Walk walk, int s) {
    QuizContent content = walk.content(s, QuizContent.class);
    Taking taking = content.taking();
    Step step = walk.step(s);
    LearnerRecord record = walk.progress().record();
    AttemptsStrand strand = AttemptsStrand.of(record);
    List<AttemptRecord> rows = attempts(walk.enrolment(), step.id());
    List<QuizShown.AttemptLine> lines =
        rows.stream()
            .map(a ->
                new QuizShown.AttemptLine(
                    a.getNumber(),
                    Optional.ofNullable(a.getFinishedAt()),
                    Optional.ofNullable(a.getResult()).map(r -> KeptResult.read(r).share()),
                    a.getWaits()))
            .toList();
    int current =
        lines.stream()
            .filter(l -> l.finished().isEmpty())
            .mapToInt(QuizShown.AttemptLine::number)
            .findFirst()
            .orElse(0);
    return new QuizShown(
        questions.asking(content.questions(), content.draws()).count(),
        content.points(),
        step.scoring().passMark(),
        AttemptReviews.left(record, s),
        current,
        step.scoring().counts(),
        record.scored(s) ? Optional.of(record.score(s)) : Optional.empty(),
        share(strand.best(s)),
        share(strand.latest(s)),
        taking.selfCheck(),
        !taking.word().isEmpty(),
        taking.pages(),
        taking
            .limit()
            .map(l ->
                new QuizShown.AttemptTime(
                    l.minutes() + record.extraMinutes(s), l.timeUp(), l.graceMinutes())),
        current > 0
            ? Optional.empty()
            : next(taking, rows).filter(next -> next.isAfter(walk.progress().asOf())),
        FullMarks.of(walk, s),
        lines);
  }

  private static Optional<Double> share(double share) {
    return share < 0 ? Optional.empty() : Optional.of(share);
  }

  /** When the next attempt may begin, if one was made before. */
  private static Optional<Instant> next(Taking taking, List<AttemptRecord> rows) {
    return rows.stream()
        .map(AttemptRecord::getFinishedAt)
        .filter(Objects::nonNull)
        .max(Comparator.naturalOrder())
        .map(taking::next);
  }

  private List<AttemptRecord> attempts(EnrolmentId enrolment, StepId step) {
    return db.selectFrom(ATTEMPT)
        .where(ATTEMPT.ENROLMENT_ID.eq(enrolment), ATTEMPT.STEP_ID.eq(step))
        .orderBy(ATTEMPT.NUMBER)
        .fetch();
  }

  private Running running(Walk walk, AttemptRecord row) {
    return Running.of(walk, row, designs, questions);
  }

  /** The same, for whoever marks it or looks at its marks. */
  private Running corrected(Running attempt) {
    AttemptRecord row = attempt.row();
    return attempt.corrected(corrections.of(row.getStepId()).under(row.getDesignVersion()));
  }

  /**
   * Begins an attempt, or goes on with the one that is not finished. Decided while the enrolment is
   * locked, so that no more are begun than are allowed. One whose time is up is finished first.
   *
   * @param word that was said in the room
   */
  public AttemptView begin(
      EnrolmentId enrolment, PersonId person, StepId step, Optional<String> word) {
    List<AttemptRecord> current = new ArrayList<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              int s = StepDoor.usable(w, step, StepKind.QUIZ);
              List<AttemptRecord> rows = attempts(enrolment, step);
              List<Fact.What> facts = new ArrayList<>();
              for (AttemptRecord row : rows)
                if (row.getFinishedAt() == null) {
                  Running attempt = running(w, row);
                  if (attempt.isUp()) facts.add(finishByClock(attempt));
                  else current.add(row);
                }
              if (!current.isEmpty()) return facts;
              mayBegin(w, s, rows, word);
              AttemptRecord row = next(w, step, rows).row();
              current.add(row);
              facts.add(new AttemptFact.StartedAttempt(step, row.getNumber()));
              return facts;
            });
    return reviews.running(running(walk, current.getFirst()));
  }

  private void mayBegin(Walk w, int s, List<AttemptRecord> rows, Optional<String> word) {
    QuizContent content = w.content(s, QuizContent.class);
    List<Phrase> faults =
        QuizFaults.of(
            w.step(s).name(),
            questions.asking(content.questions(), content.draws()),
            content.taking());
    if (!faults.isEmpty()) throw Problem.conflict(faults.getFirst());
    if (AttemptsStrand.of(w.progress().record()).left(s) == 0)
      throw Problem.conflict("attempts-used");
    Optional<Instant> next =
        next(content.taking(), rows).filter(at -> at.isAfter(w.progress().asOf()));
    if (next.isPresent()) throw Problem.conflict("attempt-too-soon", "at", next.get());
    if (!content.taking().opensTo(word.orElse("")))
      throw Problem.field("word", word.isEmpty() ? "word-needed" : "not-the-word");
  }

  /** The next attempt, begun now whether or not it may be. */
  Running next(Walk walk, StepId step) {
    return next(walk, step, attempts(walk.enrolment(), step));
  }

  private Running next(Walk walk, StepId step, List<AttemptRecord> before) {
    int made = before.stream().mapToInt(AttemptRecord::getNumber).max().orElse(0);
    return running(walk, fresh(walk, step, made + 1));
  }

  private AttemptRecord fresh(Walk walk, StepId step, int number) {
    AttemptRecord row = db.newRecord(ATTEMPT);
    row.setEnrolmentId(walk.enrolment());
    row.setStepId(step);
    row.setNumber(number);
    row.setDesignVersion(walk.practice() ? 0 : walk.ready().version());
    row.setStartedAt(walk.progress().asOf());
    row.setSeed(SEEDS.nextLong(1L << 52));
    row.setPage(0);
    row.setSettled(List.of());
    row.setHints(List.of());
    row.setSpent(Spent.from(row.getStartedAt()));
    setClock(running(walk, row));
    row.insert();
    return row;
  }

  private static void setClock(Running attempt) {
    attempt.row().setEndsAt(attempt.span().map(Span::end).orElse(null));
  }

  /** An attempt that goes on, held until the end of the transaction. */
  private Running open(EnrolmentId enrolment, StepId step, int number) {
    Walk walk = walks.see(enrolment);
    StepDoor.known(walk, step);
    AttemptRecord row =
        one(enrolment, step, number)
            .map(Held::row)
            .filter(a -> a.getFinishedAt() == null)
            .orElseThrow(() -> Problem.conflict("attempt-not-open"));
    Running attempt = running(walk, row);
    if (attempt.isUp()) throw Problem.conflict("attempt-time-up");
    return attempt;
  }

  /**
   * What a learner sends.
   *
   * @param answers those that were given since
   * @param back questions whose answers are taken back
   */
  public record Sent(Map<String, GivenAnswer> answers, Set<String> back) {
    /** Answers, and nothing taken back. */
    public Sent(Map<String, GivenAnswer> answers) {
      this(answers, Set.of());
    }
  }

  private Map<String, Answer> take(Running attempt, Sent sent) {
    Map<String, Answer> kept = questions.answers(attempt.row().getAnswers());
    Map<String, Answer> taken = taken(attempt, kept, sent);
    attempt.row().setAnswers(questions.keep(attempt.quiz(), taken));
    Set<String> changed = new HashSet<>(kept.keySet());
    changed.addAll(taken.keySet());
    changed.removeIf(q -> Objects.equals(kept.get(q), taken.get(q)));
    attempt.spent(changed);
    return taken;
  }

  /** An answer that says nothing takes back what was said. */
  private Map<String, Answer> taken(Running attempt, Map<String, Answer> kept, Sent sent) {
    var given = questions.answers(attempt.quiz(), attempt.dealt(), sent.answers());
    Set<String> back = new HashSet<>(sent.back());
    for (String question : sent.answers().keySet())
      if (!given.containsKey(question)) back.add(question);
    return attempt.taken(kept, given, back);
  }

  /** Keeps answers while an attempt goes on, so that nothing is lost, and tells its clock. */
  public ClockView keep(EnrolmentId enrolment, StepId step, int number, Sent sent) {
    Running attempt = open(enrolment, step, number);
    take(attempt, sent);
    setClock(attempt);
    attempt.row().update();
    return reviews.clock(attempt);
  }

  /** Goes on to the next question of an attempt in which one never goes back. */
  public AttemptView turn(EnrolmentId enrolment, StepId step, int number, int page, Sent sent) {
    Running attempt = open(enrolment, step, number);
    if (attempt.taking().pages() != Pages.FORWARD) throw Problem.conflict("pages-turn-freely");
    // Turned twice, by a double click or a second device, it stays where it has come to.
    if (page == attempt.row().getPage() + 1 && page < attempt.questions().size()) {
      take(attempt, sent);
      attempt.spent(Set.of(attempt.questions().get(page - 1).id()));
      attempt.row().setPage(page);
      attempt.row().update();
    }
    return reviews.running(attempt);
  }

  /** Settles the answer to one question, and says what may be known of it then. */
  AnswerView settle(EnrolmentId enrolment, StepId step, int number, String question, Sent sent) {
    Running attempt = open(enrolment, step, number);
    if (!attempt.taking().review().oneByOne()) throw Problem.conflict("answers-settled-together");
    Question asked =
        attempt.shown().stream()
            .filter(q -> q.id().equals(question))
            .findFirst()
            .orElseThrow(() -> Problem.notFound("question"));
    Map<String, Answer> taken = take(attempt, sent);
    Answer given = taken.get(question);
    if (given == null) throw Problem.field("answers", "not-answered-yet");
    List<String> settled = new ArrayList<>(attempt.row().getSettled());
    if (!settled.contains(question)) settled.add(question);
    attempt.row().setSettled(settled);
    attempt.row().update();
    Running right = corrected(attempt);
    return reviews.settled(right, right.question(question).orElse(asked), Optional.of(given));
  }

  /**
   * Gives help with a question. Asked for twice, by a double click or a second device, the same
   * hint is given once.
   *
   * @param had how many hints whoever asks has seen
   */
  AskedQuestion hint(EnrolmentId enrolment, StepId step, int number, String question, int had) {
    Running attempt = open(enrolment, step, number);
    Question asked =
        attempt.shown().stream()
            .filter(q -> q.id().equals(question))
            .findFirst()
            .orElseThrow(() -> Problem.notFound("question"));
    if (attempt.row().getSettled().contains(question)) throw Problem.conflict("hint-too-late");
    int taken = attempt.hints(question);
    if (had == taken && had < asked.hints().size()) {
      List<String> hints = new ArrayList<>(attempt.row().getHints());
      hints.add(question);
      attempt.row().setHints(hints);
      attempt.row().update();
    }
    return questions.ask(asked, attempt.dealt(), attempt.hints(question));
  }

  /**
   * An attempt that is held until the end of the transaction.
   *
   * @param righted what was put right about its questions
   */
  private record Held(AttemptRecord row, CorrectionRows.OfStep righted) {
    Running marked(Running attempt) {
      return attempt.corrected(righted.under(row.getDesignVersion()));
    }
  }

  private Optional<Held> one(EnrolmentId enrolment, StepId step, int number) {
    Field<CorrectionRows.OfStep> righted = corrections.of(ATTEMPT.STEP_ID);
    return db.select(ATTEMPT.fields())
        .select(righted)
        .from(ATTEMPT)
        .where(
            ATTEMPT.ENROLMENT_ID.eq(enrolment), ATTEMPT.STEP_ID.eq(step), ATTEMPT.NUMBER.eq(number))
        .forUpdate()
        .of(ATTEMPT)
        .fetchOptional(r -> new Held(r.into(ATTEMPT), r.get(righted)));
  }

  /**
   * Hands an attempt in and marks it at once. The same answers handed in again give the same
   * result; once its time is up, what was kept is what counts.
   */
  public ResultView finish(
      EnrolmentId enrolment, PersonId person, StepId step, int number, Sent sent) {
    Set<String> before = new HashSet<>();
    List<Held> held = new ArrayList<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              StepDoor.known(w, step);
              Held one =
                  one(enrolment, step, number).orElseThrow(() -> Problem.notFound("attempt"));
              held.add(one);
              AttemptRecord row = one.row();
              before.addAll(StepPages.openNames(w.progress()));
              Running attempt = running(w, row);
              if (row.getFinishedAt() != null) {
                sameAgain(attempt, sent);
                return List.of();
              }
              if (attempt.isUp()) return List.of(finishByClock(attempt));
              StepDoor.usable(w, step, StepKind.QUIZ);
              Map<String, Answer> taken = take(attempt, sent);
              return List.of(finish(one.marked(attempt), taken, w.progress().asOf()));
            });
    AttemptRecord row = held.getFirst().row();
    return reviews.result(
        held.getFirst().marked(running(walk, row)),
        KeptResult.read(row.getResult()),
        StepPages.opened(before, walk.progress()));
  }

  /** What was handed in by the clock stands, whatever comes after it. */
  private void sameAgain(Running attempt, Sent sent) {
    Map<String, Answer> kept = questions.answers(attempt.row().getAnswers());
    if (!attempt.finishedByClock() && !taken(attempt, kept, sent).equals(kept))
      throw Problem.conflict("attempt-finished");
  }

  /**
   * @param attempt with what was put right about its questions
   */
  Fact.What finish(Running attempt, Map<String, Answer> counting, Instant at) {
    AttemptRecord row = attempt.row();
    Quiz.Result marked = attempt.quiz().mark(counting, attempt.hints());
    Quiz.Result result = attempt.walk().practice() ? judged(attempt.quiz(), marked) : marked;
    row.setFinishedAt(at);
    setResult(attempt, result);
    row.update();
    return finished(attempt, result);
  }

  public static void setResult(Running attempt, Quiz.Result result) {
    attempt.row().setResult(KeptResult.of(result));
    attempt.row().setWaits(attempt.quiz().waits(result));
  }

  public static AttemptFact.FinishedAttempt finished(Running attempt, Quiz.Result result) {
    return new AttemptFact.FinishedAttempt(
        attempt.row().getStepId(),
        attempt.row().getNumber(),
        result.points(),
        result.of(),
        attempt.quiz().parts(result),
        attempt.quiz().waits(result));
  }

  /** Nobody marks what a made-up learner writes: it gives all that is to be had. */
  private static Quiz.Result judged(Quiz quiz, Quiz.Result result) {
    Map<String, Quiz.Judged> all = new HashMap<>();
    for (Quiz.Answered answered : result.answers())
      if (answered.mark() instanceof Mark.ForStaff)
        quiz.questions().stream()
            .filter(q -> q.id().equals(answered.question()))
            .forEach(q -> all.put(q.id(), new Quiz.Judged(q.points(), "")));
    return quiz.judged(result, all);
  }

  private Fact.What finishByClock(Running attempt) {
    setClock(attempt);
    Map<String, Answer> kept = questions.answers(attempt.row().getAnswers());
    return finish(corrected(attempt), attempt.counting(kept), attempt.row().getEndsAt());
  }

  /** Attempts whose time was up by now and that nobody handed in, the oldest first. */
  @Transactional(readOnly = true)
  List<Overdue> overdue() {
    return db.select(ATTEMPT.ENROLMENT_ID, ATTEMPT.STEP_ID, ATTEMPT.NUMBER)
        .from(ATTEMPT)
        .where(ATTEMPT.FINISHED_AT.isNull(), ATTEMPT.ENDS_AT.le(clock.instant()))
        .orderBy(ATTEMPT.ENDS_AT)
        .limit(AT_ONCE)
        .fetch(r -> new Overdue(r.value1(), r.value2(), r.value3()));
  }

  record Overdue(EnrolmentId enrolment, StepId step, int number) {}

  /** Looks at an attempt that could not be finished again after a while, so that others can be. */
  void setAside(Overdue overdue) {
    db.update(ATTEMPT)
        .set(ATTEMPT.ENDS_AT, clock.instant().plus(AGAIN_AFTER))
        .where(
            ATTEMPT.ENROLMENT_ID.eq(overdue.enrolment()),
            ATTEMPT.STEP_ID.eq(overdue.step()),
            ATTEMPT.NUMBER.eq(overdue.number()),
            ATTEMPT.FINISHED_AT.isNull())
        .execute();
  }

  /** Finishes an attempt whose time is up, unless it got more time or was handed in meanwhile. */
  void timeIsUp(Overdue overdue) {
    walks.act(
        overdue.enrolment(),
        Optional.empty(),
        w -> {
          Optional<AttemptRecord> found =
              one(overdue.enrolment(), overdue.step(), overdue.number())
                  .map(Held::row)
                  .filter(row -> row.getFinishedAt() == null);
          if (found.isEmpty()) return List.of();
          Running attempt = running(w, found.get());
          if (attempt.isUp()) return List.of(finishByClock(attempt));
          setClock(attempt);
          attempt.row().update();
          return List.of();
        });
  }

  /** A finished attempt with what may be looked at. */
  @Transactional(readOnly = true)
  public ResultView review(Way way, StepId step, int number) {
    Walk walk = walks.see(way);
    StepDoor.open(walk, step, StepKind.QUIZ);
    AttemptRecord row =
        attempts(way.enrolment(), step).stream()
            .filter(a -> a.getNumber() == number && a.getFinishedAt() != null)
            .findFirst()
            .orElseThrow(() -> Problem.notFound("finished attempt"));
    return reviews.result(
        corrected(running(walk, row)), KeptResult.read(row.getResult()), List.of());
  }
}
