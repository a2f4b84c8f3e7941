package yendrik.server.kinds.quiz;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yendrik.core.course.CourseIndex;
import yendrik.core.quiz.Answer;
import yendrik.core.quiz.Correction;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Quiz;
import yendrik.core.quiz.taking.Pages;
import yendrik.core.quiz.taking.Span;
import yendrik.core.quiz.taking.Taking;
import yendrik.core.quiz.taking.TimeUp;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rubric.Rubric;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.schema.tables.records.AttemptRecord;
import yendrik.server.design.Designs;
import yendrik.server.design.Document;
import yendrik.server.design.RubricForms;
import yendrik.server.design.RubricForms.Filled;
import yendrik.server.design.RubricForms.Sheet;
import yendrik.server.http.Problem;
import yendrik.server.kinds.quiz.question.Dealt;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.way.Walk;

/**
 * An attempt with the questions and the ways of taking them under which it was begun, whatever was
 * published since.
 *
 * @param then what the course was
 * @param questions as they are asked, in the attempt's order
 */
public record Running(
    Walk walk,
    AttemptRecord row,
    Document then,
    Taking taking,
    Quiz quiz,
    Dealt dealt,
    List<Question> questions) {
  public static Running of(Walk walk, AttemptRecord row, Designs designs, Questions all) {
    Designs.Ready then =
        row.getDesignVersion() == 0
            ? walk.ready()
            : designs.version(walk.course(), row.getDesignVersion());
    Document document = then.document();
    QuizContent content = document.content(row.getStepId(), QuizContent.class);
    Quiz quiz = all.asking(content.questions(), content.draws()).dealt(row.getSeed());
    Taking taking = content.taking();
    var dealt = new Dealt(row.getSeed(), taking.choicesMixed());
    List<Question> questions =
        taking.mixed() ? dealt.ofAll().mix(quiz.questions()) : quiz.questions();
    return new Running(walk, row, document, taking, quiz, dealt, questions);
  }

  /** When its time is up, with what was given to the learner meanwhile; none where it never is. */
  Optional<Span> span() {
    LearnerRecord record = walk.progress().record();
    int s = walk.index().number(row.getStepId());
    // A step that is gone has no dates; its attempts end by their own clock.
    if (s == CourseIndex.UNKNOWN) return taking.span(row.getStartedAt(), 0, Optional.empty());
    long until = record.takesUntil(s);
    return taking.span(
        row.getStartedAt(),
        record.extraMinutes(s),
        until == CourseIndex.NEVER ? Optional.empty() : Optional.of(Instant.ofEpochMilli(until)));
  }

  Instant now() {
    return walk.progress().asOf();
  }

  /** Whether nothing may be changed any more. */
  boolean isUp() {
    return span().filter(span -> !now().isBefore(span.end())).isPresent();
  }

  /** Whether the clock handed it in, whatever was said about its time since. */
  public boolean finishedByClock() {
    Optional<Instant> ended = Optional.ofNullable(row.getEndsAt());
    return ended.filter(end -> !row.getFinishedAt().isBefore(end)).isPresent();
  }

  private boolean noOther() {
    return span().filter(span -> !now().isBefore(span.questions())).isPresent();
  }

  /** What becomes of the answers that were kept when others are sent or taken back. */
  Map<String, Answer> taken(Map<String, Answer> kept, Map<String, Answer> sent, Set<String> back) {
    var progress = new Taking.Progress(row.getPage(), new HashSet<>(row.getSettled()), noOther());
    List<String> order = questions.stream().map(Question::id).toList();
    return taking.taken(order, progress, kept, sent, back);
  }

  /** What answers to a question are assessed with, as it was then; none that is gone. */
  Optional<Rubric> rubric(Question question) {
    return question.asked().rubric().flatMap(id -> Optional.ofNullable(then.rubrics().get(id)));
  }

  /** The same as those see it who are assessed. */
  Optional<Sheet> sheet(Question question) {
    return rubric(question).map(rubric -> RubricForms.sheet(rubric, then.design()));
  }

  /** The same as it was gone through with an answer. */
  Optional<Filled> filled(Question question, Quiz.Answered answered) {
    return rubric(question)
        .filter(_ -> !answered.met().isEmpty())
        .map(rubric -> Filled.of(rubric, answered.met(), then.design()));
  }

  /** What lies between now and what came in before was spent on these questions. */
  void spent(Set<String> questions) {
    row.setSpent(row.getSpent().came(questions, now()));
  }

  /** What counts of the answers when the time is up and nobody handed them in. */
  public Map<String, Answer> counting(Map<String, Answer> kept) {
    return taking.timeUp() == TimeUp.NOTHING ? Map.of() : kept;
  }

  /** The questions that may be seen now. */
  List<Question> shown() {
    if (taking.pages() != Pages.FORWARD || questions.isEmpty()) return questions;
    return List.of(questions.get(Math.min(row.getPage(), questions.size() - 1)));
  }

  /** The same marked by what was put right since. */
  public Running corrected(List<Correction> corrections) {
    if (corrections.isEmpty()) return this;
    Quiz right = quiz.corrected(corrections);
    List<Question> asked = new ArrayList<>(questions);
    asked.replaceAll(
        q -> right.questions().stream().filter(r -> r.id().equals(q.id())).findFirst().orElse(q));
    return new Running(walk, row, then, taking, right, dealt, asked);
  }

  /** The fact that it was finished, as it stands. */
  public Fact finishedFact() {
    return Facts.standing(walk.facts()).stream()
        .filter(f ->
            f.what() instanceof AttemptFact.FinishedAttempt done
                && done.step().equals(row.getStepId())
                && done.number() == row.getNumber())
        .reduce((_, last) -> last)
        .orElseThrow(() -> Problem.notFound("finished attempt"));
  }

  /** How often help was asked for, by the question's id. */
  public Map<String, Integer> hints() {
    Map<String, Integer> hints = new HashMap<>();
    row.getHints().forEach(question -> hints.merge(question, 1, Integer::sum));
    return hints;
  }

  int hints(String question) {
    return hints().getOrDefault(question, 0);
  }

  Optional<Question> question(String id) {
    return questions.stream().filter(q -> q.id().equals(id)).findFirst();
  }
}
