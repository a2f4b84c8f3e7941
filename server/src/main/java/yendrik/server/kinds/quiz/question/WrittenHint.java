package yendrik.server.kinds.quiz.question;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import yendrik.core.quiz.Hint;

/**
 * Help with a question as its author writes it.
 *
 * @param cost the share of the question's points that it takes, from 0 to 1
 */
@Schema(name = "QuestionHint")
public record WrittenHint(
    @NotNull @Size(max = 2000) String text, @DecimalMin("0") @DecimalMax("1") double cost) {
  static WrittenHint of(Hint hint) {
    return new WrittenHint(hint.text(), hint.cost());
  }

  Hint hint() {
    return new Hint(text, cost);
  }
}
