package yendrik.server.kinds.quiz.question.order;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import yendrik.server.kinds.quiz.question.GivenAnswer;

/**
 * The order in which a learner put things.
 *
 * @param things by the places in which they were dealt
 */
@JsonTypeName("ordering")
public record OrderGiven(@NotNull @Size(max = 30) List<String> things) implements GivenAnswer {}
