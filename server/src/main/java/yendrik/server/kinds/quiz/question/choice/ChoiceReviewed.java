package yendrik.server.kinds.quiz.question.choice;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/**
 * The words of what was chosen and of what is right.
 *
 * @param chosen nothing when none was
 * @param right nothing while it may not be known
 */
@JsonTypeName("choice")
public record ChoiceReviewed(Optional<ReviewedChoice> chosen, Optional<ReviewedChoice> right)
    implements ReviewedPart {
  /**
   * @param formatted how it looks, where it is more than plain words
   * @param feedback what its author says to who has chosen it, where that may be known
   */
  @Schema(name = "ReviewedChoice")
  public record ReviewedChoice(
      String text, Optional<String> formatted, Optional<String> feedback) {}
}
