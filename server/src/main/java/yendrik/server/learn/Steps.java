package yendrik.server.learn;

import static yendrik.schema.Tables.ATTEMPT;
import static yendrik.schema.Tables.HANDED_IN;

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
import tools.jackson.core.type.TypeReference;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.StepId;
import yendrik.core.progress.Bead;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.quiz.Quiz;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.AttemptRecord;
import yendrik.server.design.Designs;
import yendrik.server.design.Film;
import yendrik.server.design.Json;
import yendrik.server.design.QuizFaults;
import yendrik.server.design.RubricForms;
import yendrik.server.design.StepContent;
import yendrik.server.http.Problem;
import yendrik.server.learn.RouteViews.AnswerView;
import yendrik.server.learn.RouteViews.AttemptLine;
import yendrik.server.learn.RouteViews.AttemptView;
import yendrik.server.learn.RouteViews.FilmView;
import yendrik.server.learn.RouteViews.Link;
import yendrik.server.learn.RouteViews.MarkView;
import yendrik.server.learn.RouteViews.QuizView;
import yendrik.server.learn.RouteViews.ResultView;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.learn.RouteViews.VersionView;
import yendrik.server.learn.RouteViews.WorkView;
import yendrik.server.way.Assessments;
import yendrik.server.way.Explaining;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** What learners do at a step. A closed step's content never leaves here. */
@Service
@Transactional
public class Steps {
  /** How many seconds of a film can be played in a second. */
  private static final int FASTEST = 2;

  private static final SecureRandom SEEDS = new SecureRandom();

  private final DSLContext db;
  private final Walks walks;
  private final Designs designs;
  private final Assessments assessments;
  private final Clock clock;

  Steps(DSLContext db, Walks walks, Designs designs, Assessments assessments, Clock clock) {
    this.db = db;
    this.walks = walks;
    this.designs = designs;
    this.assessments = assessments;
    this.clock = clock;
  }

  /** The number of a step that the learner may use now, or a Problem that says what is missing. */
  private static int open(Walk walk, long step) {
    Progress progress = walk.progress();
    int s = step <= 0 ? CourseIndex.UNKNOWN : progress.course().index().number(new StepId(step));
    if (s == CourseIndex.UNKNOWN || !Routes.visible(progress, s)) throw Problem.notFound("step");
    StepState state = progress.bead(s).state();
    boolean readable =
        progress.sight().open(s) || state == StepState.DONE || state == StepState.WAITING;
    if (!readable)
      throw Problem.closed(
          "“" + progress.course().index().step(s).name() + "” is closed.",
          Explaining.toLearner(progress).whatIsMissing(s));
    return s;
  }

  /** As {@link #open}, and the learner may still act there. */
  private static int usable(Walk walk, long step, StepKind... kinds) {
    int s = open(walk, step);
    if (kinds.length > 0
        && !Set.of(kinds).contains(walk.progress().course().index().step(s).kind()))
      throw Problem.conflict("That is not possible at this kind of step.");
    if (!walk.progress().sight().open(s)) throw Problem.conflict("This step is closed now.");
    return s;
  }

  /** Opens a step: leaves the facts that it was seen, and shows it. */
  public StepPage open(long enrolment, long person, long step) {
    Set<String> openBefore = new HashSet<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              int s = open(w, step);
              openBefore.addAll(openNames(w.progress()));
              boolean use = w.progress().sight().open(s);
              return use ? List.of(new Fact.Saw(new StepId(step))) : List.of(new Fact.WasHere());
            });
    return page(walk, open(walk, step), opened(openBefore, walk.progress()));
  }

  private static Set<String> openNames(Progress progress) {
    Set<String> names = new HashSet<>();
    for (int s = 0; s < progress.course().index().steps(); s++)
      if (progress.sight().open(s)) names.add(progress.course().index().step(s).name());
    return names;
  }

  private static List<String> opened(Set<String> before, Progress after) {
    List<String> opened = new ArrayList<>();
    for (int s = 0; s < after.course().index().steps(); s++) {
      String name = after.course().index().step(s).name();
      if (after.sight().open(s) && Routes.visible(after, s) && !before.contains(name))
        opened.add(name);
    }
    return opened;
  }

  private StepPage page(Walk walk, int s, List<String> opened) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    Step step = index.step(s);
    Bead bead = progress.bead(s);
    LearnerRecord record = progress.record();
    StepContent content = walk.ready().document().content(step.id());
    boolean confirmable =
        step.doneWhen()
            .nodes()
            .anyMatch(n -> n instanceof Condition.Ask a && a.leaf() instanceof Leaf.Confirmed);
    boolean seenByStaff = record.signedOffAt(s) != LearnerRecord.NEVER;
    Optional<String> signedOff = seenByStaff ? signedOff(walk, step.id()) : Optional.empty();
    return new StepPage(
        step.id().value(),
        step.name(),
        step.kind(),
        new Known(progress).module(index.moduleOf(s)) ? index.module(index.moduleOf(s)).name() : "",
        bead.state(),
        bead.overdue(),
        bead.outOfReach(),
        walk.ready().document().minutes().getOrDefault(step.id(), 10),
        Explaining.moment(record.due(s)),
        content.body(),
        Explaining.toLearner(progress).rule(new RuleAt.StepDone(step.id())),
        confirmable,
        record.confirmedAt(s) != LearnerRecord.NEVER,
        content
            .film()
            .map(f ->
                new FilmView(
                    f.name(),
                    f.mediaType(),
                    f.seconds(),
                    record.watched(s),
                    record.watchedParts(s))),
        step.kind() == StepKind.QUIZ ? Optional.of(quiz(walk, s, content)) : Optional.empty(),
        step.kind() == StepKind.ASSIGNMENT ? Optional.of(work(walk, s)) : Optional.empty(),
        walk.ready().document().rubric(step.id()).map(r -> RubricForms.sheet(r, index.design())),
        seenByStaff ? assessments.of(walk, step.id(), 0) : Optional.empty(),
        signedOff,
        step.evidenceFor().stream()
            .map(t -> index.outcome(index.number(t.outcome())).name())
            .toList(),
        neighbour(progress, s, -1),
        neighbour(progress, s, 1),
        opened);
  }

  private static Optional<String> signedOff(Walk walk, StepId step) {
    return Facts.standing(walk.facts()).stream()
        .filter(f -> f.what() instanceof Fact.SignedOff off && off.step().equals(step))
        .map(f -> ((Fact.SignedOff) f.what()).comment())
        .reduce((_, last) -> last);
  }

  private static Optional<Link> neighbour(Progress progress, int s, int way) {
    CourseIndex index = progress.course().index();
    for (int n = s + way; n >= 0 && n < index.steps(); n += way)
      if (Routes.visible(progress, n) && progress.sight().open(n))
        return Optional.of(new Link(index.step(n).id().value(), index.step(n).name()));
    return Optional.empty();
  }

  private QuizView quiz(Walk walk, int s, StepContent content) {
    Step step = walk.progress().course().index().step(s);
    LearnerRecord record = walk.progress().record();
    List<AttemptLine> lines =
        attempts(walk.enrolment(), step.id()).stream()
            .map(a ->
                new AttemptLine(
                    a.getNumber(),
                    Optional.ofNullable(a.getFinishedAt()),
                    Optional.ofNullable(a.getResult())
                        .map(r -> Json.read(r, Quiz.Result.class).share())))
            .toList();
    int current =
        lines.stream()
            .filter(l -> l.finished().isEmpty())
            .mapToInt(AttemptLine::number)
            .findFirst()
            .orElse(0);
    return new QuizView(
        content.questions().size(),
        content.quiz().points(),
        step.scoring().passMark(),
        left(record, s),
        current,
        record.scored(s) ? Optional.of(record.score(s)) : Optional.empty(),
        lines);
  }

  private static int left(LearnerRecord record, int s) {
    int left = record.attemptsLeft(s);
    return left == Integer.MAX_VALUE ? -1 : left;
  }

  private List<AttemptRecord> attempts(long enrolment, StepId step) {
    return db.selectFrom(ATTEMPT)
        .where(ATTEMPT.ENROLMENT_ID.eq(enrolment), ATTEMPT.STEP_ID.eq(step.value()))
        .orderBy(ATTEMPT.NUMBER)
        .fetch();
  }

  private WorkView work(Walk walk, int s) {
    Step step = walk.progress().course().index().step(s);
    StepState state = walk.progress().bead(s).state();
    boolean can =
        walk.progress().sight().open(s) && state != StepState.DONE && state != StepState.WAITING;
    List<VersionView> versions =
        db.selectFrom(HANDED_IN)
            .where(
                HANDED_IN.ENROLMENT_ID.eq(walk.enrolment()),
                HANDED_IN.STEP_ID.eq(step.id().value()))
            .orderBy(HANDED_IN.VERSION.desc())
            .fetch(h ->
                new VersionView(
                    h.getVersion(), h.getAt(), h.getBody(), mark(walk, step, h.getVersion())));
    return new WorkView(can, "", versions);
  }

  private Optional<MarkView> mark(Walk walk, Step step, int version) {
    CourseIndex index = walk.progress().course().index();
    if (walk.progress().record().markedAt(index.number(step.id())) == LearnerRecord.NEVER)
      return Optional.empty();
    List<Fact> standing = Facts.standing(walk.facts());
    Optional<RubricForms.Filled> filled = assessments.of(walk, step.id(), version);
    List<String> levels =
        standing.stream()
            .map(Fact::what)
            .filter(w ->
                w instanceof Fact.Rated r
                    && r.criterion().isEmpty()
                    && r.step().equals(Optional.of(step.id()))
                    && r.version() == version)
            .map(w -> (Fact.Rated) w)
            .filter(r -> index.number(r.outcome()) != CourseIndex.UNKNOWN)
            .map(r -> {
              var outcome = index.outcome(index.number(r.outcome()));
              int level = outcome.scale().at(r.level());
              return outcome.name()
                  + ": "
                  + (level < 0
                      ? "a level that is gone"
                      : outcome.scale().levels().get(level).name());
            })
            .toList();
    return standing.stream()
        .filter(f ->
            f.what() instanceof Fact.Marked m
                && m.step().equals(step.id())
                && m.version() == version)
        .reduce((_, last) -> last)
        .map(f -> {
          var m = (Fact.Marked) f.what();
          return new MarkView(
              m.judgement(), m.points(), m.of(), m.comment(), f.at(), levels, filled);
        });
  }

  /** Takes down time on a step: no more of it than has gone since the last report. */
  public void spend(long enrolment, long person, long step, int seconds) {
    walks.act(
        enrolment,
        Optional.of(person),
        w -> {
          int s = open(w, step);
          int believed = Math.min(seconds, gone(w, w.progress().record().timedFrom(s), 1));
          return believed < 1 ? List.of() : List.of(new Fact.SpentTime(new StepId(step), believed));
        });
  }

  /** Whole seconds since a moment, so many times over; 0 where there was no such moment. */
  private static int gone(Walk walk, long since, int times) {
    if (since == LearnerRecord.NEVER) return 0;
    long millis = walk.progress().asOf().toEpochMilli() - since;
    return (int) Math.min(86_400, Math.round(times * millis / 1000.0));
  }

  public StepPage confirm(long enrolment, long person, long step) {
    Set<String> before = new HashSet<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              usable(w, step);
              before.addAll(openNames(w.progress()));
              return List.of(new Fact.Confirmed(new StepId(step)));
            });
    return page(walk, open(walk, step), opened(before, walk.progress()));
  }

  // --- films ------------------------------------------------------------------------------------
  /** The film of a step that is open. */
  @Transactional(readOnly = true)
  public Film film(long enrolment, long step) {
    Walk walk = walks.see(enrolment);
    open(walk, step);
    return film(walk, step);
  }

  private static Film film(Walk walk, long step) {
    return walk.ready()
        .document()
        .content(new StepId(step))
        .film()
        .orElseThrow(() -> Problem.conflict("There is no film in this step yet."));
  }

  /**
   * Takes down that a part of the film was played: no more than can have been played since the last
   * report, at twice its speed at most.
   *
   * @param from second of the film, included
   * @param to second of the film, excluded
   */
  public StepPage watch(long enrolment, long person, long step, int from, int to) {
    Set<String> before = new HashSet<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              int s = usable(w, step, StepKind.VIDEO);
              before.addAll(openNames(w.progress()));
              int of = film(w, step).seconds();
              if (to <= from) throw Problem.field("to", "It must come after the beginning.");
              if (to > of) throw Problem.field("to", "The film is " + of + " seconds long.");
              long since = w.progress().record().playedFrom(s);
              int until = Math.min(to, from + gone(w, since, FASTEST));
              return until <= from
                  ? List.of()
                  : List.of(new Fact.Watched(new StepId(step), from, until, of));
            });
    return page(walk, open(walk, step), opened(before, walk.progress()));
  }

  // --- quizzes ----------------------------------------------------------------------------------
  /**
   * Begins an attempt, or goes on with the one that is not finished. Decided while the enrolment is
   * locked, so that no more are begun than are allowed.
   */
  public AttemptView begin(long enrolment, long person, long step) {
    var id = new StepId(step);
    List<AttemptRecord> current = new ArrayList<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              int s = usable(w, step, StepKind.QUIZ);
              List<AttemptRecord> rows = attempts(enrolment, id);
              rows.stream().filter(a -> a.getFinishedAt() == null).forEach(current::add);
              if (!current.isEmpty()) return List.of();
              Step design = w.progress().course().index().step(s);
              List<String> faults =
                  QuizFaults.of(design.name(), w.ready().document().content(id).quiz());
              if (!faults.isEmpty()) throw Problem.conflict(faults.getFirst());
              int allowed = w.progress().record().attemptsAllowed(s);
              if (allowed > 0 && rows.size() >= allowed)
                throw Problem.conflict("All attempts are used. Ask your facilitator for another.");
              int number = rows.stream().mapToInt(AttemptRecord::getNumber).max().orElse(0) + 1;
              current.add(fresh(w, step, number));
              return List.of(new Fact.StartedAttempt(id, number));
            });
    return attempt(walk, current.getFirst());
  }

  private AttemptRecord fresh(Walk walk, long step, int number) {
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
  private StepContent asked(Walk walk, AttemptRecord row) {
    Designs.Ready then =
        row.getDesignVersion() == 0
            ? walk.ready()
            : designs.version(walk.course(), row.getDesignVersion());
    return then.document().content(new StepId(row.getStepId()));
  }

  private AttemptView attempt(Walk walk, AttemptRecord row) {
    Quiz quiz = asked(walk, row).quiz();
    var dealt = new Dealt(row.getSeed());
    return new AttemptView(
        row.getNumber(),
        quiz.questions().stream().map(q -> question(q, dealt)).toList(),
        dealt.dealt(quiz, answers(row)));
  }

  private static Map<String, String> answers(AttemptRecord row) {
    return row.getAnswers() == null
        ? Map.of()
        : CoreJson.mapper().readValue(row.getAnswers().data(), new TypeReference<>() {});
  }

  private static RouteViews.QuestionView question(Quiz.Question q, Dealt dealt) {
    List<RouteViews.ChoiceView> choices = new ArrayList<>();
    for (Quiz.Choice choice : dealt.choices(q))
      choices.add(new RouteViews.ChoiceView(Dealt.name(choices.size()), choice.text()));
    return new RouteViews.QuestionView(q.id(), q.text(), q.points(), choices);
  }

  /** Keeps answers while an attempt goes on, so that nothing is lost. */
  public void keep(long enrolment, long step, int number, Map<String, String> answers) {
    Walk walk = walks.see(enrolment);
    AttemptRecord row =
        one(enrolment, step, number)
            .filter(a -> a.getFinishedAt() == null)
            .orElseThrow(() -> Problem.conflict("This attempt is finished, or was never begun."));
    var written = new Dealt(row.getSeed()).written(asked(walk, row).quiz(), answers);
    int rows =
        db.update(ATTEMPT)
            .set(ATTEMPT.ANSWERS, Json.of(written))
            .where(
                ATTEMPT.ENROLMENT_ID.eq(enrolment),
                ATTEMPT.STEP_ID.eq(step),
                ATTEMPT.NUMBER.eq(number),
                ATTEMPT.FINISHED_AT.isNull())
            .execute();
    if (rows == 0) throw Problem.conflict("This attempt is finished, or was never begun.");
  }

  private Optional<AttemptRecord> one(long enrolment, long step, int number) {
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
      long enrolment, long person, long step, int number, Map<String, String> answers) {
    var id = new StepId(step);
    Set<String> before = new HashSet<>();
    List<AttemptRecord> rows = new ArrayList<>();
    List<Quiz.Result> results = new ArrayList<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              AttemptRecord row =
                  one(enrolment, step, number).orElseThrow(() -> Problem.notFound("attempt"));
              Quiz quiz = asked(w, row).quiz();
              var written = new Dealt(row.getSeed()).written(quiz, answers);
              rows.add(row);
              before.addAll(openNames(w.progress()));
              if (row.getFinishedAt() != null) {
                if (!written.equals(answers(row)))
                  throw Problem.conflict("This attempt is finished already.");
                results.add(Json.read(row.getResult(), Quiz.Result.class));
                return List.of();
              }
              usable(w, step, StepKind.QUIZ);
              Quiz.Result result = quiz.mark(written);
              results.add(result);
              row.setAnswers(Json.of(written));
              row.setFinishedAt(clock.instant());
              row.setResult(Json.of(result));
              row.update();
              return List.of(
                  new Fact.FinishedAttempt(
                      id, number, result.points(), result.of(), quiz.parts(result)));
            });
    return result(walk, rows.getFirst(), results.getFirst(), opened(before, walk.progress()));
  }

  /** A finished attempt with what was right and wrong. */
  @Transactional(readOnly = true)
  public ResultView review(long enrolment, long step, int number) {
    Walk walk = walks.see(enrolment);
    open(walk, step);
    AttemptRecord row =
        attempts(enrolment, new StepId(step)).stream()
            .filter(a -> a.getNumber() == number && a.getFinishedAt() != null)
            .findFirst()
            .orElseThrow(() -> Problem.notFound("finished attempt"));
    return result(walk, row, Json.read(row.getResult(), Quiz.Result.class), List.of());
  }

  private ResultView result(Walk walk, AttemptRecord row, Quiz.Result result, List<String> opened) {
    int s = walk.progress().course().index().number(new StepId(row.getStepId()));
    Step step = walk.progress().course().index().step(s);
    List<AnswerView> answers = new ArrayList<>();
    for (Quiz.Question q : asked(walk, row).questions())
      result.answers().stream()
          .filter(a -> a.question().equals(q.id()))
          .findFirst()
          .ifPresent(a ->
              answers.add(
                  new AnswerView(
                      q.id(),
                      q.text(),
                      a.chosen().map(c -> text(q, c)).orElse(""),
                      a.right() || nothingToGain(walk, s) ? text(q, q.right()) : "",
                      a.right(),
                      a.points(),
                      q.points(),
                      q.feedback())));
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
    return record.score(s) >= 1 - 1e-9 || record.attemptsLeft(s) == 0;
  }

  private static String text(Quiz.Question q, String choice) {
    return q.choices().stream()
        .filter(c -> c.id().equals(choice))
        .map(Quiz.Choice::text)
        .findFirst()
        .orElse("");
  }

  // --- work handed in ---------------------------------------------------------------------------
  public StepPage handIn(long enrolment, long person, long step, String text) {
    int[] version = new int[1];
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              int s = usable(w, step, StepKind.ASSIGNMENT);
              StepState state = w.progress().bead(s).state();
              if (state == StepState.DONE)
                throw Problem.conflict("This has passed; nothing more is needed.");
              if (state == StepState.WAITING) {
                if (handedIn(w, step, text)) return List.of();
                throw Problem.conflict("This waits for marking already.");
              }
              version[0] = w.progress().record().version(s) + 1;
              return List.of(new Fact.HandedIn(new StepId(step), version[0]));
            });
    if (version[0] == 0) return page(walk, open(walk, step), List.of());
    db.insertInto(HANDED_IN)
        .set(HANDED_IN.ENROLMENT_ID, enrolment)
        .set(HANDED_IN.STEP_ID, step)
        .set(HANDED_IN.VERSION, version[0])
        .set(HANDED_IN.BODY, text)
        .set(HANDED_IN.AT, clock.instant())
        .execute();
    return page(walk, open(walk, step), List.of());
  }

  /** Whether the newest version is just this text: it was sent twice. */
  private boolean handedIn(Walk walk, long step, String text) {
    int s = walk.progress().course().index().number(new StepId(step));
    return db.fetchExists(
        HANDED_IN,
        HANDED_IN
            .ENROLMENT_ID
            .eq(walk.enrolment())
            .and(HANDED_IN.STEP_ID.eq(step))
            .and(HANDED_IN.VERSION.eq(walk.progress().record().version(s)))
            .and(HANDED_IN.BODY.eq(text)));
  }

  /** In practice only: staff's word on the made-up learner's work. */
  public StepPage judgeInPractice(
      long enrolment, long person, long step, Fact.Judgement judgement) {
    Set<String> before = new HashSet<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              if (!w.practice())
                throw Problem.forbidden("Only a made-up learner can be marked here.");
              int s = usable(w, step, StepKind.ASSIGNMENT, StepKind.PRACTICAL);
              before.addAll(openNames(w.progress()));
              return judged(w.progress(), s, judgement);
            });
    return page(walk, open(walk, step), opened(before, walk.progress()));
  }

  private static List<Fact.What> judged(Progress progress, int s, Fact.Judgement judgement) {
    Step step = progress.course().index().step(s);
    double of = step.scoring().points();
    double points = judgement == Fact.Judgement.PASSED ? of : 0;
    List<Fact.What> whats = new ArrayList<>();
    if (step.kind() == StepKind.PRACTICAL && judgement == Fact.Judgement.PASSED)
      whats.add(new Fact.SignedOff(step.id(), ""));
    whats.add(new Fact.Marked(step.id(), progress.record().version(s), points, of, judgement, ""));
    if (judgement == Fact.Judgement.PASSED)
      for (Step.Tie tie : step.evidenceFor()) {
        var outcome =
            progress.course().index().outcome(progress.course().index().number(tie.outcome()));
        whats.add(
            new Fact.Rated(
                tie.outcome(),
                outcome.scale().key(outcome.scale().mastery()),
                Optional.of(step.id()),
                progress.record().version(s)));
      }
    return whats;
  }
}
