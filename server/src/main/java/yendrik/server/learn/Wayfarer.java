package yendrik.server.learn;

import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.server.http.Problem;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.way.Walks;

/**
 * Says whose way an address means: {@code mine} for a learner, or {@code practice} for staff who
 * walk the draft as a made-up learner.
 */
@Component
public class Wayfarer {
  static final String MINE = "mine";
  static final String PRACTICE = "practice";
  private final Walks walks;

  Wayfarer(Walks walks) {
    this.walks = walks;
  }

  /** The enrolment of a way that was begun. */
  public EnrolmentId enrolment(Seat seat, String walk) {
    return of(seat, walk, walks::practiceBegun);
  }

  /** Whether somebody on the staff is about to walk as a made-up learner for the first time. */
  boolean begins(Seat seat, String walk) {
    return walk.equals(PRACTICE)
        && seat.has(Right.TEACH)
        && walks.practiceBegun(seat.course(), seat.person().id()).isEmpty();
  }

  /** Does something on a way; with the first thing that is not refused a made-up learner begins. */
  @Transactional
  public <T> T going(Seat seat, String walk, Function<EnrolmentId, T> what) {
    return what.apply(
        of(seat, walk, (course, staff) -> Optional.of(walks.practice(course, staff))));
  }

  /** Takes a made-up learner away with every trace and begins with another, or does neither. */
  @Transactional
  <T> T goingAnew(Seat seat, Function<EnrolmentId, T> what) {
    walks.startOver(seat.course(), seat.person().id());
    return going(seat, PRACTICE, what);
  }

  private static EnrolmentId of(
      Seat seat, String walk, BiFunction<CourseId, PersonId, Optional<EnrolmentId>> practice) {
    return switch (walk) {
      case MINE -> seat.enrolment().orElseThrow(() -> Problem.forbidden("not-enrolled"));
      case PRACTICE -> {
        if (!seat.has(Right.TEACH)) throw Problem.forbidden("only-staff-walk");
        yield practice
            .apply(seat.course(), seat.person().id())
            .orElseThrow(() -> Problem.notFound("walk"));
      }
      default -> throw Problem.notFound("walk");
    };
  }
}
