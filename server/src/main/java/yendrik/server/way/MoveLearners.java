package yendrik.server.way;

import java.util.List;
import java.util.function.ObjIntConsumer;
import org.springframework.stereotype.Component;
import yendrik.core.id.CourseId;

/** Brings the learners of a course under what is published, one learner a transaction. */
@Component
public class MoveLearners {
  private final Walks walks;
  private final CatchUp catchUp;

  MoveLearners(Walks walks, CatchUp catchUp) {
    this.walks = walks;
    this.catchUp = catchUp;
  }

  /**
   * Moves everybody who is not yet under it; whoever is in another act just then moves with it.
   *
   * @param told after each learner: how many learners there are, and how many were moved so far
   */
  public void under(CourseId course, ObjIntConsumer<Integer> told) {
    List<Long> behind = walks.behind(course);
    int moved = 0;
    for (long enrolment : behind) {
      catchUp.one(enrolment);
      told.accept(behind.size(), ++moved);
    }
    catchUp.tell();
  }
}
