package yendrik.server.kinds.quiz.question.open;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import yendrik.server.kinds.quiz.question.GivenAnswer;

/**
 * The text of a learner.
 *
 * @param text formatted, without files
 */
@JsonTypeName("open")
public record TextGiven(@NotNull @Size(max = 100_000) String text) implements GivenAnswer {}
