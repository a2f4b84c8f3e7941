package yendrik.core.check;

import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;

/**
 * What is not in a design and matters for checking it.
 *
 * @param ends when the course ends for its learners
 * @param emptyGroups groups in which nobody is
 * @param waitForThis other courses that nobody can complete before this one
 */
public record Around(Optional<Instant> ends, Set<GroupId> emptyGroups, Set<CourseId> waitForThis) {
  /** Nothing is known. */
  public static final Around NOTHING = new Around(Optional.empty(), Set.of(), Set.of());

  public Around {
    emptyGroups = Set.copyOf(emptyGroups);
    waitForThis = Set.copyOf(waitForThis);
  }
}
