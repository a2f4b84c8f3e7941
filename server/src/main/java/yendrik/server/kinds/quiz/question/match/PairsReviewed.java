package yendrik.server.kinds.quiz.question.match;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/** What was put to each beginning. */
@JsonTypeName("matching")
public record PairsReviewed(List<ReviewedPair> pairs) implements ReviewedPart {
  /**
   * @param chosen nothing when nothing was
   * @param ends what belongs to it; nothing while that may not be known
   */
  public record ReviewedPair(String begins, Optional<String> chosen, Optional<String> ends) {}
}
