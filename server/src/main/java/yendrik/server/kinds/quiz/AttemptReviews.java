package yendrik.server.kinds.quiz;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.quiz.Answer;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Quiz;
import yendrik.core.quiz.taking.Review.Allowed;
import yendrik.core.quiz.taking.Review.Standing;
import yendrik.core.quiz.taking.Span;
import yendrik.core.quiz.taking.Taking;
import yendrik.core.quiz.taking.TimeUp;
import yendrik.core.record.LearnerRecord;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.server.design.RubricForms.Sheet;
import yendrik.server.kinds.quiz.AttemptViews.AnswerView;
import yendrik.server.kinds.quiz.AttemptViews.AttemptView;
import yendrik.server.kinds.quiz.AttemptViews.ClockView;
import yendrik.server.kinds.quiz.AttemptViews.ResultView;
import yendrik.server.kinds.quiz.AttemptViews.Righted;
import yendrik.server.kinds.quiz.AttemptViews.Verdict;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.kinds.quiz.question.Telling;
import yendrik.server.way.Walk;

/** Attempts as learners see them, with what they may look at by now. */
@Component
class AttemptReviews {
  private final Questions questions;

  AttemptReviews(Questions questions) {
    this.questions = questions;
  }

  /** An attempt that goes on. */
  AttemptView running(Running attempt) {
    Map<String, Answer> kept = questions.answers(attempt.row().getAnswers());
    Set<String> seen = new HashSet<>();
    List<Question> shown = attempt.shown();
    shown.forEach(q -> seen.add(q.id()));
    Map<String, Answer> answers = new HashMap<>(kept);
    answers.keySet().retainAll(seen);
    return new AttemptView(
        attempt.row().getNumber(),
        attempt.questions().size(),
        attempt.taking().pages(),
        attempt.row().getPage(),
        shown.stream().map(q -> questions.ask(q, attempt.dealt(), attempt.hints(q.id()))).toList(),
        rubrics(attempt, shown),
        questions.given(attempt.quiz(), attempt.dealt(), answers),
        attempt.taking().review().oneByOne(),
        shown.stream()
            .filter(q -> attempt.row().getSettled().contains(q.id()))
            .map(q -> settled(attempt, q, Optional.ofNullable(kept.get(q.id()))))
            .toList(),
        clock(attempt));
  }

  private static Map<String, Sheet> rubrics(Running attempt, List<Question> shown) {
    Map<String, Sheet> rubrics = new HashMap<>();
    for (Question q : shown) attempt.sheet(q).ifPresent(sheet -> rubrics.put(q.id(), sheet));
    return rubrics;
  }

  ClockView clock(Running attempt) {
    Optional<Span> span = attempt.span();
    return new ClockView(
        attempt.now(), span.map(Span::questions), span.map(Span::end), attempt.taking().timeUp());
  }

  /** A question that was settled while the attempt goes on. */
  AnswerView settled(Running attempt, Question question, Optional<Answer> given) {
    Allowed allowed = attempt.taking().review().at(Standing.DURING);
    Mark mark = question.mark(given);
    double points = question.pointsFor(mark, attempt.hints(question.id()));
    return answer(
        attempt, question, given, new Quiz.Answered(question.id(), mark, points), allowed);
  }

  /** A finished attempt. */
  ResultView result(Running attempt, Quiz.Result result, List<String> opened) {
    Walk walk = attempt.walk();
    int s = walk.index().number(attempt.row().getStepId());
    Step step = walk.step(s);
    Taking taking = attempt.taking();
    Allowed allowed = allowed(attempt, standing(walk, s));
    Map<String, Answer> given = questions.answers(attempt.row().getAnswers());
    List<AnswerView> answers = new ArrayList<>();
    for (Question q : attempt.questions())
      result.answers().stream()
          .filter(a -> a.question().equals(q.id()))
          .findFirst()
          .ifPresent(a ->
              answers.add(answer(attempt, q, Optional.ofNullable(given.get(q.id())), a, allowed)));
    boolean passed = result.share() >= step.scoring().passMark() - 1e-9;
    boolean selfCheck = taking.selfCheck();
    long right = result.answers().stream().filter(a -> a.mark().equals(Mark.WHOLE)).count();
    return new ResultView(
        attempt.row().getNumber(),
        result.points(),
        result.of(),
        passed,
        !selfCheck,
        allowed.marks() ? Optional.of((int) right) : Optional.empty(),
        attempt.finishedByClock(),
        attempt.quiz().waits(result),
        taking.says(result.share()),
        left(walk.progress().record(), s),
        answers,
        opened);
  }

  /** Nothing is right or wrong of what came too late to count. */
  private static Allowed allowed(Running attempt, Standing standing) {
    Allowed allowed = attempt.taking().review().at(standing);
    boolean counts = attempt.taking().timeUp() != TimeUp.NOTHING || !attempt.finishedByClock();
    return new Allowed(
        allowed.own(), allowed.right(), allowed.feedback(), allowed.marks() && counts);
  }

  private static Standing standing(Walk walk, int s) {
    LearnerRecord record = walk.progress().record();
    long until = record.takesUntil(s);
    boolean closed = until != CourseIndex.NEVER && walk.progress().asOf().toEpochMilli() >= until;
    boolean nothingToGain =
        Taking.nothingToGain(
            walk.step(s).scoring().counts(),
            record.scored(s) ? record.score(s) : -1,
            AttemptsStrand.of(record).left(s));
    return new Standing(
        /* finished= */ true, nothingToGain, closed, AttemptsStrand.of(record).passed(s));
  }

  /** What was right of a question is told with its whole mark, or once that may be known. */
  private AnswerView answer(
      Running attempt,
      Question q,
      Optional<Answer> given,
      Quiz.Answered answered,
      Allowed allowed) {
    boolean isRight = q.mark(given).equals(Mark.WHOLE);
    boolean told = allowed.right() || (allowed.marks() && isRight);
    Optional<Righted> righted = righted(attempt.quiz(), q);
    return new AnswerView(
        q.id(),
        q.text(),
        q.shown().formatted(),
        attempt.hints(q.id()),
        righted,
        allowed.marks() && righted.isEmpty()
            ? Optional.of(verdict(answered.mark()))
            : Optional.empty(),
        allowed.marks() ? Optional.of(answered.points()) : Optional.empty(),
        q.points(),
        allowed.feedback() ? q.feedback() : "",
        allowed.feedback() ? answered.comment() : "",
        allowed.feedback() && allowed.marks() ? attempt.filled(q, answered) : Optional.empty(),
        allowed.own()
            ? Optional.of(questions.review(q, given, new Telling(told, allowed.feedback())))
            : Optional.empty());
  }

  private static Optional<Righted> righted(Quiz quiz, Question q) {
    if (quiz.leftOut().contains(q.id())) return Optional.of(Righted.LEFT_OUT);
    return quiz.fullMarks().contains(q.id()) ? Optional.of(Righted.FULL_MARKS) : Optional.empty();
  }

  static int left(LearnerRecord record, int s) {
    int left = AttemptsStrand.of(record).left(s);
    return left == Integer.MAX_VALUE ? -1 : left;
  }

  private static Verdict verdict(Mark mark) {
    return switch (mark) {
      case Mark.ForStaff() -> Verdict.FOR_STAFF;
      case Mark.Marked(double share) ->
          share >= 1 ? Verdict.RIGHT : share > 0 ? Verdict.PARTLY : Verdict.WRONG;
    };
  }
}
