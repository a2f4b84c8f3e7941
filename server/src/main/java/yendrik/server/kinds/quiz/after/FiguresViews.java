package yendrik.server.kinds.quiz.after;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import yendrik.core.id.QuestionId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.QuestionKind;
import yendrik.server.kinds.quiz.correction.CorrectionRows;

/** How quizzes went, as staff see it. */
final class FiguresViews {
  private FiguresViews() {}

  /** A quiz of the course. */
  @Schema(name = "QuizLine")
  record QuizLine(StepId step, String name, String module, int attempts, int learners) {}

  /**
   * @param scores how many scores lie in each tenth
   * @param minutes how long an attempt took, the median
   * @param mayCorrect whether whoever looks may put questions right
   */
  @Schema(name = "QuizFigures")
  record FiguresView(
      StepId step,
      String name,
      int attempts,
      int learners,
      List<Integer> scores,
      Optional<Double> mean,
      Optional<Double> median,
      Optional<Double> deviation,
      Optional<Double> reliability,
      Optional<Double> minutes,
      double passMark,
      List<QuestionView> questions,
      List<CorrectionRows.Told> corrections,
      boolean mayCorrect) {}

  /**
   * @param facility the mean share of its points that was had
   * @param discrimination how much better those answer it who are better at the rest
   * @param given what was answered, the most frequent first
   * @param righted what holds of it now, if it was put right
   * @param changed whether the draft has another right answer by now
   */
  @Schema(name = "QuestionFigures")
  record QuestionView(
      String id,
      String text,
      QuestionKind kind,
      double points,
      int asked,
      int right,
      int partly,
      int wrong,
      int unanswered,
      double facility,
      Optional<Double> discrimination,
      Optional<Double> seconds,
      List<GivenView> given,
      Optional<CorrectionRows.What> righted,
      boolean changed) {}

  /**
   * How a question of the course went in first attempts at all quizzes that ask it.
   *
   * @param asked how often it was asked
   * @param facility the mean share of its points that was had
   */
  @Schema(name = "QuestionWent")
  record WentView(QuestionId question, int asked, double facility) {}

  /**
   * @param right whether it gave all points, where that can be said of a piece of an answer
   */
  @Schema(name = "GivenCount")
  record GivenView(String said, int count, Optional<Boolean> right) {}
}
