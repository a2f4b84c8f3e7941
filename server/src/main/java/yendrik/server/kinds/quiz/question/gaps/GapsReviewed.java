package yendrik.server.kinds.quiz.question.gaps;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/**
 * A text as it was filled in.
 *
 * @param around the words before, between and behind the gaps
 */
@JsonTypeName("gaps")
public record GapsReviewed(List<String> around, List<ReviewedGap> gaps) implements ReviewedPart {
  /**
   * @param given empty when nothing was
   * @param right a form that is taken; nothing while it may not be known
   */
  public record ReviewedGap(String given, boolean fits, Optional<String> right) {}
}
