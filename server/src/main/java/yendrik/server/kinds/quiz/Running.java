package yendrik.server.kinds.quiz;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yendrik.core.course.CourseIndex;
import yendrik.core.quiz.Answer;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Quiz;
import yendrik.core.quiz.taking.Pages;
import yendrik.core.quiz.taking.Span;
import yendrik.core.quiz.taking.Taking;
import yendrik.core.quiz.taking.TimeUp;
import yendrik.core.record.LearnerRecord;
import yendrik.schema.tables.records.AttemptRecord;
import yendrik.server.design.Designs;
import yendrik.server.kinds.quiz.question.Dealt;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.way.Walk;

/**
 * An attempt with the questions and the ways of taking them under which it was begun, whatever was
 * published since.
 *
 * @param questions as they are asked, in the attempt's order
 */
record Running(
    Walk walk, AttemptRecord row, Taking taking, Quiz quiz, Dealt dealt, List<Question> questions) {
  static Running of(Walk walk, AttemptRecord row, Designs designs, Questions all) {
    Designs.Ready then =
        row.getDesignVersion() == 0
            ? walk.ready()
            : designs.version(walk.course(), row.getDesignVersion());
    QuizContent content = then.document().content(row.getStepId(), QuizContent.class);
    Quiz quiz = all.quiz(content.questions());
    Taking taking = content.taking();
    var dealt = new Dealt(row.getSeed(), taking.choicesMixed());
    List<Question> questions =
        taking.mixed() ? dealt.ofAll().mix(quiz.questions()) : quiz.questions();
    return new Running(walk, row, taking, quiz, dealt, questions);
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
  boolean finishedByClock() {
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

  /** What counts of the answers when the time is up and nobody handed them in. */
  Map<String, Answer> counting(Map<String, Answer> kept) {
    return taking.timeUp() == TimeUp.NOTHING ? Map.of() : kept;
  }

  /** The questions that may be seen now. */
  List<Question> shown() {
    if (taking.pages() != Pages.FORWARD || questions.isEmpty()) return questions;
    return List.of(questions.get(Math.min(row.getPage(), questions.size() - 1)));
  }

  Optional<Question> question(String id) {
    return questions.stream().filter(q -> q.id().equals(id)).findFirst();
  }
}
