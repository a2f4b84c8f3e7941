package yendrik.server.learn;

import org.springframework.stereotype.Component;
import yendrik.core.id.EnrolmentId;
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
  static final String PRACTICE = "practice";
  private final Walks walks;

  Wayfarer(Walks walks) {
    this.walks = walks;
  }

  /** The enrolment of a way. */
  public EnrolmentId enrolment(Seat seat, String walk) {
    return switch (walk) {
      case "mine" -> seat.enrolment().orElseThrow(() -> Problem.forbidden("not-enrolled"));
      case PRACTICE -> {
        if (!seat.has(Right.TEACH)) throw Problem.forbidden("only-staff-walk");
        yield walks.practice(seat.course(), seat.person().id());
      }
      default -> throw Problem.notFound("walk");
    };
  }
}
