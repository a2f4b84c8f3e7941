package yendrik.server.kinds.quiz.question.choice;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/**
 * The words of what was chosen and of what is right.
 *
 * @param chosen nothing when none was
 * @param right nothing while it may not be known
 */
@JsonTypeName("choice")
public record ChoiceReviewed(Optional<String> chosen, Optional<String> right)
    implements ReviewedPart {}
