package yendrik.server.way;

import java.util.List;
import org.springframework.stereotype.Component;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.server.jobs.Meter;

/** Brings the learners of a course under what is published, one learner a transaction. */
@Component
class MoveLearners {
  private final Walks walks;
  private final CatchUp catchUp;

  MoveLearners(Walks walks, CatchUp catchUp) {
    this.walks = walks;
    this.catchUp = catchUp;
  }

  /**
   * Moves everybody who is not yet under it; whoever is in another act just then moves with it.
   *
   * @return how many there were
   */
  int under(CourseId course, Meter meter) {
    List<EnrolmentId> behind = walks.behind(course);
    int moved = 0;
    meter.done(0, behind.size());
    for (EnrolmentId enrolment : behind) {
      catchUp.one(enrolment);
      meter.done(++moved, behind.size());
    }
    catchUp.tell();
    return moved;
  }
}
