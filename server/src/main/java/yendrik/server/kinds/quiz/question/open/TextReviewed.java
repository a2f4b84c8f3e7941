package yendrik.server.kinds.quiz.question.open;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/**
 * What was written.
 *
 * @param given safe, nothing when nothing was
 * @param expected what a good answer says; nothing while it may not be known
 */
@JsonTypeName("open")
public record TextReviewed(Optional<String> given, Optional<String> expected)
    implements ReviewedPart {}
