package yendrik.server.kinds.quiz.question.place;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/**
 * Where a learner pointed at.
 *
 * @param given nothing when nowhere
 * @param right the right areas; none while they may not be known
 */
@JsonTypeName("place")
public record PlaceReviewed(
    Optional<Long> picture,
    String described,
    Optional<PlaceGiven> given,
    List<PlaceWritten.WrittenArea> right)
    implements ReviewedPart {}
