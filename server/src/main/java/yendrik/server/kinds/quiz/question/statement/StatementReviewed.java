package yendrik.server.kinds.quiz.question.statement;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/**
 * What was said of it.
 *
 * @param given nothing when nothing was
 * @param right nothing while it may not be known
 */
@JsonTypeName("true-false")
public record StatementReviewed(Optional<Boolean> given, Optional<Boolean> right)
    implements ReviewedPart {}
