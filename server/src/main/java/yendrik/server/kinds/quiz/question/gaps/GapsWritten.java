package yendrik.server.kinds.quiz.question.gaps;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import yendrik.server.kinds.quiz.question.WrittenPart;

/**
 * A text with its gaps in square brackets, as its author writes it.
 *
 * @param withCase whether large and small letters are told apart
 */
@JsonTypeName("gaps")
public record GapsWritten(@NotNull @Size(max = 5000) String source, boolean withCase)
    implements WrittenPart {}
