package yendrik.server.kinds.quiz.question.numeric;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.WrittenPart;

/**
 * A number and how far an answer may be off, as their author writes them.
 *
 * @param number nothing while it is not written
 * @param percent whether the tolerance is percent of the number
 * @param unit said behind the number, may be empty
 */
@JsonTypeName("numeric")
public record NumberWritten(
    Optional<Double> number,
    double tolerance,
    boolean percent,
    @NotNull @Size(max = 40) String unit)
    implements WrittenPart {}
