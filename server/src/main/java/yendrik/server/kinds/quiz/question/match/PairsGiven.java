package yendrik.server.kinds.quiz.question.match;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;
import yendrik.server.kinds.quiz.question.GivenAnswer;

/**
 * What a learner put together.
 *
 * @param pairs places of ends by places of beginnings
 */
@JsonTypeName("matching")
public record PairsGiven(@NotNull @Size(max = 50) Map<String, String> pairs)
    implements GivenAnswer {}
