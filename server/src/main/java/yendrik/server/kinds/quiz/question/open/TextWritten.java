package yendrik.server.kinds.quiz.question.open;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.kinds.quiz.question.WrittenPart;

/**
 * A question for a text, as its author writes it.
 *
 * @param expected what a good answer says, for those who mark it; may be empty
 * @param rubric of the course that it is assessed with, if any
 */
@JsonTypeName("open")
public record TextWritten(@NotNull @Size(max = 10_000) String expected, Optional<RubricId> rubric)
    implements WrittenPart {}
