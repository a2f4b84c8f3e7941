package yendrik.server.kinds.quiz.question.several;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Set;
import yendrik.server.kinds.quiz.question.GivenAnswer;

/**
 * The choices of a learner.
 *
 * @param choices as they were dealt
 */
@JsonTypeName("several")
public record SeveralGiven(@NotNull @Size(max = 50) Set<String> choices) implements GivenAnswer {}
