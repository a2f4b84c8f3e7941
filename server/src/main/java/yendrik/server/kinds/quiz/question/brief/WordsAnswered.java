package yendrik.server.kinds.quiz.question.brief;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import yendrik.server.kinds.quiz.question.GivenAnswer;

/** The words of a learner, as they were typed. */
@JsonTypeName("short")
public record WordsAnswered(@NotNull @Size(max = 500) String words) implements GivenAnswer {}
