package yendrik.server.kinds.quiz;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;

/** What learners see of an attempt. */
public final class AttemptViews {
  private AttemptViews() {}

  /** An attempt in progress: questions without their answers. */
  public record AttemptView(
      int number, List<QuestionView> questions, Map<String, String> answers) {}

  @Schema(name = "AskedQuestion")
  public record QuestionView(String id, String text, double points, List<ChoiceView> choices) {}

  @Schema(name = "DealtChoice")
  public record ChoiceView(String id, String text) {}

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
      String chosen,
      String right,
      boolean correct,
      double points,
      double of,
      String feedback) {}
}
