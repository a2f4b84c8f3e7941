package yendrik.server.kinds.quiz.question.place;

import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import yendrik.server.kinds.quiz.question.GivenAnswer;

/**
 * The place that a learner points at, in shares of the picture's width and height from its top left
 * corner.
 */
@JsonTypeName("place")
public record PlaceGiven(
    @DecimalMin("0") @DecimalMax("1") double x, @DecimalMin("0") @DecimalMax("1") double y)
    implements GivenAnswer {}
