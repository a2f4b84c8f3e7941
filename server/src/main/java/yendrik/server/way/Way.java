package yendrik.server.way;

import java.time.Instant;
import java.util.Optional;
import yendrik.core.id.EnrolmentId;

/**
 * A learner's way as somebody reads it.
 *
 * @param at as of when, if the clock is wound forward
 * @param watched whether somebody on the staff looks through the learner's eyes, and does nothing
 */
public record Way(EnrolmentId enrolment, Optional<Instant> at, boolean watched) {
  /** As whoever walks it reads it. */
  public static Way of(EnrolmentId enrolment) {
    return new Way(enrolment, Optional.empty(), /* watched= */ false);
  }

  /** Through the eyes of a learner. */
  public static Way watched(EnrolmentId enrolment, Optional<Instant> at) {
    return new Way(enrolment, at, /* watched= */ true);
  }
}
