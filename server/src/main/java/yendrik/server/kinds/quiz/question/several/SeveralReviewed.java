package yendrik.server.kinds.quiz.question.several;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/** What was chosen of what there was. */
@JsonTypeName("several")
public record SeveralReviewed(List<ReviewedShare> choices) implements ReviewedPart {
  /**
   * @param right whether it should have been chosen; nothing while that may not be known
   */
  public record ReviewedShare(String text, boolean chosen, Optional<Boolean> right) {}
}
