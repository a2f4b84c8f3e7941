package yendrik.server.kinds.quiz;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import yendrik.server.kinds.quiz.question.AskedQuestion;
import yendrik.server.kinds.quiz.question.GivenAnswer;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/** What learners see of an attempt. */
public final class AttemptViews {
  private AttemptViews() {}

  /** An attempt in progress: questions without their answers. */
  public record AttemptView(
      int number, List<AskedQuestion> questions, Map<String, GivenAnswer> answers) {}

  /** An attempt marked. */
  public record ResultView(
      int number,
      double points,
      double of,
      boolean passed,
      int attemptsLeft,
      List<AnswerView> answers,
      List<String> opened) {}

  public record AnswerView(
      String question,
      String text,
      Verdict verdict,
      double points,
      double of,
      String feedback,
      ReviewedPart part) {}

  /** What became of an answer. */
  @Schema(name = "AnswerVerdict")
  public enum Verdict {
    RIGHT,
    PARTLY,
    WRONG,
    FOR_STAFF
  }
}
