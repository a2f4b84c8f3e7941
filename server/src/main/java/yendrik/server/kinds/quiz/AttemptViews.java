package yendrik.server.kinds.quiz;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.quiz.taking.Pages;
import yendrik.core.quiz.taking.TimeUp;
import yendrik.server.design.RubricForms.Filled;
import yendrik.server.design.RubricForms.Sheet;
import yendrik.server.kinds.quiz.question.AskedQuestion;
import yendrik.server.kinds.quiz.question.GivenAnswer;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/** What learners see of an attempt. */
public final class AttemptViews {
  private AttemptViews() {}

  /**
   * An attempt in progress: questions without their answers.
   *
   * @param count how many questions there are in all
   * @param page which of them is shown, from 0, where one never goes back
   * @param questions those that may be seen now
   * @param rubrics what counts in answers to them, by the question's id, where that is said
   * @param oneByOne whether answers are settled one by one
   * @param settled what is said about those that are
   */
  public record AttemptView(
      int number,
      int count,
      Pages pages,
      int page,
      List<AskedQuestion> questions,
      Map<String, Sheet> rubrics,
      Map<String, GivenAnswer> answers,
      boolean oneByOne,
      List<AnswerView> settled,
      ClockView clock) {}

  /**
   * The clock of an attempt.
   *
   * @param now at the server
   * @param questionsUntil from when on no other question may be answered
   * @param endsAt from when on nothing may be changed; none where its time is never up
   */
  @Schema(name = "AttemptClock")
  public record ClockView(
      Instant now, Optional<Instant> questionsUntil, Optional<Instant> endsAt, TimeUp timeUp) {}

  /**
   * An attempt marked.
   *
   * @param scored whether points are given for it
   * @param right how many questions were answered wholly right, where that may be known
   * @param timeUp whether its time was up before it was handed in
   * @param waits how many answers staff have still to mark
   * @param says what the quiz says about such a result, may be empty
   */
  public record ResultView(
      int number,
      double points,
      double of,
      boolean passed,
      boolean scored,
      Optional<Integer> right,
      boolean timeUp,
      int waits,
      String says,
      int attemptsLeft,
      List<AnswerView> answers,
      List<String> opened) {}

  /**
   * @param formatted how the question looks, where it is more than plain words
   * @param hints how many were asked for
   * @param righted what was done about the question after it had been asked, in place of a verdict
   * @param verdict and points, where they may be known
   * @param comment what staff said about it, may be empty
   * @param assessed the rubric that staff went through with it
   * @param part what was answered, where that may be looked at
   */
  public record AnswerView(
      String question,
      String text,
      Optional<String> formatted,
      int hints,
      Optional<Righted> righted,
      Optional<Verdict> verdict,
      Optional<Double> points,
      double of,
      String feedback,
      String comment,
      Optional<Filled> assessed,
      Optional<ReviewedPart> part) {}

  /** What was done about a question that was not right. */
  @Schema(name = "AnswerRighted")
  public enum Righted {
    LEFT_OUT,
    FULL_MARKS
  }

  /** What became of an answer. */
  @Schema(name = "AnswerVerdict")
  public enum Verdict {
    RIGHT,
    PARTLY,
    WRONG,
    FOR_STAFF
  }
}
