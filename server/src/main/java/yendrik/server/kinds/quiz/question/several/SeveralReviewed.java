package yendrik.server.kinds.quiz.question.several;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/** What was chosen of what there was. */
@JsonTypeName("several")
public record SeveralReviewed(List<ReviewedShare> choices) implements ReviewedPart {
  /**
   * @param formatted how it looks, where it is more than plain words
   * @param feedback what its author says to who has chosen it, where that may be known
   * @param right whether it should have been chosen; nothing while that may not be known
   */
  public record ReviewedShare(
      String text,
      Optional<String> formatted,
      boolean chosen,
      Optional<Boolean> right,
      Optional<String> feedback) {}
}
