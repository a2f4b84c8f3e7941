package yendrik.server.kinds.quiz.question.numeric;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.kinds.quiz.question.AskedPart;

/**
 * Room for a number.
 *
 * @param unit said behind it, may be empty
 */
@JsonTypeName("numeric")
public record NumberAsked(String unit) implements AskedPart {}
