package yendrik.server.kinds.quiz.question.numeric;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/**
 * Which number was given.
 *
 * @param given nothing when none was
 * @param right nothing while it may not be known
 * @param most how far an answer may be off; nothing like it
 */
@JsonTypeName("numeric")
public record NumberReviewed(
    Optional<Double> given, Optional<Double> right, Optional<Double> most, String unit)
    implements ReviewedPart {}
