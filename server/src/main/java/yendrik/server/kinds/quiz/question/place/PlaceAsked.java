package yendrik.server.kinds.quiz.question.place;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.AskedPart;

/**
 * A picture on which a place is pointed at.
 *
 * @param described what it shows
 */
@JsonTypeName("place")
public record PlaceAsked(Optional<Long> picture, String described) implements AskedPart {}
