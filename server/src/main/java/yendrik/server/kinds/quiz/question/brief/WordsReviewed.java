package yendrik.server.kinds.quiz.question.brief;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/**
 * What was typed.
 *
 * @param given nothing when nothing was
 * @param right a form that gives all; nothing while it may not be known
 */
@JsonTypeName("short")
public record WordsReviewed(Optional<String> given, Optional<String> right)
    implements ReviewedPart {}
