package yendrik.server.kinds.quiz.after;

import static yendrik.schema.Tables.ATTEMPT;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.JSON;
import org.jooq.Record8;
import org.jooq.RecordMapper;
import org.jooq.Records;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.QuestionId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Answer;
import yendrik.core.quiz.Correction;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.Quiz;
import yendrik.core.quiz.figures.Figures;
import yendrik.core.quiz.figures.Item;
import yendrik.core.words.Phrase;
import yendrik.formats.table.Cell;
import yendrik.server.design.Content;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.kinds.quiz.QuizContent;
import yendrik.server.kinds.quiz.after.FiguresViews.FiguresView;
import yendrik.server.kinds.quiz.after.FiguresViews.GivenView;
import yendrik.server.kinds.quiz.after.FiguresViews.QuestionView;
import yendrik.server.kinds.quiz.after.FiguresViews.QuizLine;
import yendrik.server.kinds.quiz.after.FiguresViews.WentView;
import yendrik.server.kinds.quiz.correction.CorrectionRows;
import yendrik.server.kinds.quiz.correction.CorrectionRows.What;
import yendrik.server.kinds.quiz.question.KeptLines;
import yendrik.server.kinds.quiz.question.KeptResult;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.watch.report.Report;

/** How quizzes went, from the attempts of those whom a member of staff may see. */
@Service
@Transactional(readOnly = true)
class Figured {
  /** How many different answers to a question are shown. */
  private static final int MOST_GIVEN = 12;

  /** How many attempts are read at once. */
  private static final int ROWS_AT_ONCE = 500;

  /** Kinds of which an answer is one piece, so that it is right or wrong as a whole. */
  private static final Set<QuestionKind> OF_ONE_PIECE =
      Set.of(
          QuestionKind.CHOICE,
          QuestionKind.TRUE_FALSE,
          QuestionKind.SHORT,
          QuestionKind.NUMERIC,
          QuestionKind.PLACE,
          QuestionKind.ORDERING);

  private final DSLContext db;
  private final Designs designs;
  private final Learners learners;
  private final Questions questions;
  private final CorrectionRows corrections;
  private final Institutions institutions;

  Figured(
      DSLContext db,
      Designs designs,
      Learners learners,
      Questions questions,
      CorrectionRows corrections,
      Institutions institutions) {
    this.db = db;
    this.designs = designs;
    this.learners = learners;
    this.questions = questions;
    this.corrections = corrections;
    this.institutions = institutions;
  }

  /** The quizzes of a course, in its order. */
  List<QuizLine> quizzes(Seat seat) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return List.of();
    Set<EnrolmentId> seen = seen(seat).keySet();
    Map<StepId, List<EnrolmentId>> attempts = new HashMap<>();
    db.select(ATTEMPT.STEP_ID, ATTEMPT.ENROLMENT_ID)
        .from(ATTEMPT)
        .where(ATTEMPT.FINISHED_AT.isNotNull(), ATTEMPT.ENROLMENT_ID.in(seen))
        .forEach(r -> attempts.computeIfAbsent(r.value1(), _ -> new ArrayList<>()).add(r.value2()));
    List<QuizLine> lines = new ArrayList<>();
    for (CourseModule module : ready.get().document().design().modules())
      for (Step step : module.steps())
        if (step.kind() == StepKind.QUIZ) {
          List<EnrolmentId> who = attempts.getOrDefault(step.id(), List.of());
          lines.add(
              new QuizLine(
                  step.id(),
                  step.name(),
                  module.name(),
                  who.size(),
                  (int) who.stream().distinct().count()));
        }
    return lines;
  }

  private Map<EnrolmentId, String> seen(Seat seat) {
    Map<EnrolmentId, String> seen = new LinkedHashMap<>();
    learners.of(seat).forEach(s -> seen.put(s.enrolment(), s.name()));
    return seen;
  }

  private Step step(Seat seat, StepId id) {
    return designs
        .published(seat.course())
        .flatMap(ready ->
            ready
                .document()
                .design()
                .steps()
                .filter(s -> s.id().equals(id) && s.kind() == StepKind.QUIZ)
                .findFirst())
        .orElseThrow(() -> Problem.notFound("quiz"));
  }

  /** What is looked at of an attempt that is finished. */
  private record Finished(
      EnrolmentId enrolment,
      int number,
      int version,
      Instant startedAt,
      Instant finishedAt,
      JSON answers,
      JSON result,
      JSON spent) {}

  /**
   * Looks at finished attempts at a step one by one, in the order in which they were begun: many
   * thousands are never in memory at once.
   */
  private void attempts(
      StepId step, Set<EnrolmentId> seen, boolean first, Consumer<Finished> look) {
    var which = first ? ATTEMPT.NUMBER.eq(1) : DSL.noCondition();
    var rows =
        db.select(
                ATTEMPT.ENROLMENT_ID,
                ATTEMPT.NUMBER,
                ATTEMPT.DESIGN_VERSION,
                ATTEMPT.STARTED_AT,
                ATTEMPT.FINISHED_AT,
                ATTEMPT.ANSWERS,
                ATTEMPT.RESULT,
                ATTEMPT.SPENT.coerce(SQLDataType.JSON))
            .from(ATTEMPT)
            .where(ATTEMPT.STEP_ID.eq(step), ATTEMPT.FINISHED_AT.isNotNull(), which)
            .orderBy(ATTEMPT.STARTED_AT, ATTEMPT.ENROLMENT_ID)
            .fetchSize(ROWS_AT_ONCE);
    RecordMapper<
            Record8<EnrolmentId, Integer, Integer, Instant, Instant, JSON, JSON, JSON>, Finished>
        read = Records.mapping(Finished::new);
    try (var all = rows.fetchLazy()) {
      for (var row : all) {
        Finished attempt = read.map(row);
        if (seen.contains(attempt.enrolment)) look.accept(attempt);
      }
    }
  }

  /** The questions of a step by the publication under which an attempt was begun. */
  private final class Asked {
    private final CourseId course;
    private final StepId step;
    private final CorrectionRows.OfStep righted;
    private final Map<Integer, Asking> byVersion = new HashMap<>();

    Asked(CourseId course, StepId step) {
      this.course = course;
      this.step = step;
      righted = corrections.of(step);
    }

    Asking of(int version) {
      return byVersion.computeIfAbsent(
          version,
          v ->
              new Asking(
                  all(designs.version(course, v).document().contents().get(step))
                      .corrected(righted.under(v))));
    }

    Quiz now() {
      int version = designs.published(course).map(Designs.Ready::version).orElse(0);
      return version == 0 ? new Quiz(List.of()) : of(version).quiz;
    }

    Asking draft() {
      return new Asking(all(designs.draft(course).contents().get(step)));
    }

    private Quiz all(@Nullable Content content) {
      return content instanceof QuizContent quiz
          ? questions.asking(quiz.questions(), quiz.draws()).all()
          : new Quiz(List.of());
    }

    Optional<What> righted(String question) {
      return righted.all().stream()
          .map(CorrectionRows.Kept::correction)
          .filter(c -> c.question().equals(question))
          .reduce((_, last) -> last)
          .map(c ->
              switch (c) {
                case Correction.LeftOut _ -> What.LEFT_OUT;
                case Correction.FullMarks _ -> What.FULL_MARKS;
                case Correction.RightAnswer _ -> What.RIGHT_ANSWER;
              });
    }
  }

  /** The questions of a quiz, found by their ids. */
  private record Asking(Quiz quiz, Map<String, Question> byId) {
    Asking(Quiz quiz) {
      this(
          quiz,
          quiz.questions().stream().collect(Collectors.toMap(Question::id, Function.identity())));
    }
  }

  /** An answer that may have been given many times: its pieces, and whether it is right. */
  private record Weighed(List<Phrase> pieces, boolean right) {}

  /** What was said to one question, and how often. */
  private final class Said {
    private final Map<Phrase, int[]> counts = new LinkedHashMap<>();
    private final Map<Question, Map<String, Weighed>> weighed = new IdentityHashMap<>();

    void add(Question question, String kept) {
      Weighed said =
          weighed
              .computeIfAbsent(question, _ -> new HashMap<>())
              .computeIfAbsent(kept, k -> weighed(question, k));
      for (Phrase piece : said.pieces) {
        int[] count = counts.computeIfAbsent(piece, _ -> new int[2]);
        count[0]++;
        if (said.right) count[1]++;
      }
    }

    private Weighed weighed(Question question, String kept) {
      Answer answer = questions.answer(kept);
      return new Weighed(
          questions.said(question, answer), question.mark(Optional.of(answer)).equals(Mark.WHOLE));
    }

    List<GivenView> most(Institutions institutions, boolean ofOnePiece) {
      return counts.entrySet().stream()
          .sorted((a, b) -> b.getValue()[0] - a.getValue()[0])
          .limit(MOST_GIVEN)
          .map(e ->
              new GivenView(
                  institutions.say(e.getKey()),
                  e.getValue()[0],
                  ofOnePiece ? Optional.of(e.getValue()[1] > 0) : Optional.empty()))
          .toList();
    }
  }

  /**
   * How a quiz went.
   *
   * @param first whether only first attempts are looked at: later ones know more
   */
  FiguresView figures(Seat seat, StepId id, boolean first) {
    Step step = step(seat, id);
    Asked asked = new Asked(seat.course(), id);
    Map<String, Said> said = new HashMap<>();
    Map<String, Question> known = new LinkedHashMap<>();
    asked.now().questions().forEach(q -> known.put(q.id(), q));
    List<List<Item>> attempts = new ArrayList<>();
    Set<EnrolmentId> who = new HashSet<>();
    DoubleStream.Builder minutes = DoubleStream.builder();
    attempts(
        id,
        seen(seat).keySet(),
        first,
        row -> {
          Asking asking = asked.of(row.version);
          asking.byId.forEach(known::putIfAbsent);
          attempts.add(items(row, asking, said));
          who.add(row.enrolment);
          minutes.add(minutes(row));
        });
    Figures figures = Figures.of(attempts);
    Map<String, Figures.OfQuestion> ofQuestions = new HashMap<>();
    figures.questions().forEach(q -> ofQuestions.put(q.question(), q));
    Map<String, Question> draft = asked.draft().byId;
    return new FiguresView(
        id,
        step.name(),
        figures.attempts(),
        who.size(),
        figures.scores(),
        said(figures.mean()),
        said(figures.median()),
        said(figures.deviation()),
        said(figures.reliability()),
        median(minutes.build().toArray()),
        step.scoring().passMark(),
        known.values().stream()
            .filter(q -> ofQuestions.containsKey(q.id()) || said.containsKey(q.id()))
            .map(q -> view(q, Optional.ofNullable(ofQuestions.get(q.id())), said, asked, draft))
            .toList(),
        corrections.history(id),
        seat.has(Right.PLAN));
  }

  private List<Item> items(Finished row, Asking asking, Map<String, Said> said) {
    Map<String, String> given = KeptLines.answers(row.answers);
    Map<String, Long> spent = KeptLines.seconds(row.spent);
    List<Item> items = new ArrayList<>();
    for (KeptLines.Line answered : KeptLines.of(row.result)) {
      Question question = asking.byId.get(answered.question());
      if (question == null) continue;
      String answer = given.get(question.id());
      Said counted = said.computeIfAbsent(question.id(), _ -> new Said());
      if (answer != null && !question.asked().byStaff()) counted.add(question, answer);
      boolean counts =
          (answered.marked() || asking.quiz.fullMarks().contains(question.id()))
              && !asking.quiz.leftOut().contains(question.id());
      if (counts)
        items.add(
            new Item(
                question.id(),
                answered.points(),
                question.points(),
                answer != null,
                seconds(spent.get(question.id()))));
    }
    return items;
  }

  private static OptionalLong seconds(@Nullable Long seconds) {
    return seconds == null ? OptionalLong.empty() : OptionalLong.of(seconds);
  }

  private QuestionView view(
      Question q,
      Optional<Figures.OfQuestion> figures,
      Map<String, Said> said,
      Asked asked,
      Map<String, Question> draft) {
    QuestionKind kind = q.asked().kind();
    Question now = draft.get(q.id());
    return new QuestionView(
        q.id(),
        q.text(),
        kind,
        q.points(),
        figures.map(Figures.OfQuestion::asked).orElse(0),
        figures.map(Figures.OfQuestion::right).orElse(0),
        figures.map(Figures.OfQuestion::partly).orElse(0),
        figures.map(Figures.OfQuestion::wrong).orElse(0),
        figures.map(Figures.OfQuestion::unanswered).orElse(0),
        figures.map(Figures.OfQuestion::facility).orElse(0.0),
        figures.flatMap(f -> said(f.discrimination())),
        figures.flatMap(f -> said(f.seconds())),
        Optional.ofNullable(said.get(q.id()))
            .map(s -> s.most(institutions, OF_ONE_PIECE.contains(kind)))
            .orElse(List.of()),
        asked.righted(q.id()),
        now != null && now.asked().kind() == kind && !now.asked().equals(q.asked()));
  }

  /** How the course's own questions went; those that were never asked are left out. */
  List<WentView> went(Seat seat) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return List.of();
    Set<EnrolmentId> seen = seen(seat).keySet();
    Map<String, QuestionId> banked = new HashMap<>();
    List<List<Item>> attempts = new ArrayList<>();
    ready
        .get()
        .document()
        .contents()
        .forEach((step, content) -> {
          if (!(content instanceof QuizContent quiz) || quiz.banked().isEmpty()) return;
          banked.putAll(quiz.banked());
          attempts.addAll(itemsOf(new Asked(seat.course(), step), step, seen));
        });
    return Figures.of(attempts).questions().stream()
        .flatMap(q ->
            Optional.ofNullable(banked.get(q.question())).stream()
                .map(id -> new WentView(id, q.asked(), q.facility())))
        .toList();
  }

  private List<List<Item>> itemsOf(Asked asked, StepId step, Set<EnrolmentId> seen) {
    List<List<Item>> all = new ArrayList<>();
    attempts(
        step,
        seen,
        /* first= */ true,
        row -> all.add(items(row, asked.of(row.version), new HashMap<>())));
    return all;
  }

  private static Optional<Double> said(OptionalDouble number) {
    return number.isPresent() ? Optional.of(number.getAsDouble()) : Optional.empty();
  }

  private static double minutes(Finished row) {
    return Duration.between(row.startedAt, row.finishedAt).toSeconds() / 60.0;
  }

  private static Optional<Double> median(double[] minutes) {
    Arrays.sort(minutes);
    return minutes.length == 0 ? Optional.empty() : Optional.of(minutes[minutes.length / 2]);
  }

  /** All attempts as a table, with the points of each question. */
  Report.Sheet results(Seat seat, StepId id) {
    step(seat, id);
    Asked asked = new Asked(seat.course(), id);
    Map<EnrolmentId, String> names = seen(seat);
    List<Finished> rows = new ArrayList<>();
    attempts(id, names.keySet(), /* first= */ false, rows::add);
    Map<String, Question> known = new LinkedHashMap<>();
    asked.now().questions().forEach(q -> known.put(q.id(), q));
    rows.stream()
        .map(Finished::version)
        .distinct()
        .forEach(v -> asked.of(v).quiz.questions().forEach(q -> known.putIfAbsent(q.id(), q)));
    List<Phrase> heads = new ArrayList<>();
    for (String head :
        List.of("learner", "attempt", "begun", "finished", "minutes", "share", "points", "of"))
      heads.add(Phrase.of("results." + head));
    Stream<String> asking = known.values().stream().map(Question::text);
    return new Report.Sheet(
        Stream.concat(heads.stream().map(institutions::say), asking).toList(),
        rows.stream().map(row -> cells(row, names, known)));
  }

  private static List<Cell> cells(
      Finished row, Map<EnrolmentId, String> names, Map<String, Question> known) {
    Quiz.Result result = KeptResult.read(row.result);
    List<Cell> cells = new ArrayList<>();
    cells.add(Cell.of(names.getOrDefault(row.enrolment, "")));
    cells.add(Cell.of(row.number));
    cells.add(Cell.of(row.startedAt.toString()));
    cells.add(Cell.of(row.finishedAt.toString()));
    cells.add(Cell.of(Math.round(minutes(row) * 10) / 10.0));
    cells.add(Cell.of(result.share()));
    cells.add(Cell.of(result.points()));
    cells.add(Cell.of(result.of()));
    Map<String, Double> points = new HashMap<>();
    result.answers().stream()
        .filter(a -> a.mark() instanceof Mark.Marked)
        .forEach(a -> points.put(a.question(), a.points()));
    for (String question : known.keySet())
      cells.add(points.containsKey(question) ? Cell.of(points.get(question)) : Cell.of(""));
    return cells;
  }
}
