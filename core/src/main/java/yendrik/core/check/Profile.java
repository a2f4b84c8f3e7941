package yendrik.core.check;

import java.util.Collection;
import java.util.Set;
import yendrik.core.course.Step;
import yendrik.core.id.GroupId;

/**
 * For whom a design is walked through.
 *
 * @param groups in which they are
 * @param named whether they are whoever is named anywhere
 * @param failing the numbers of the steps that they never pass
 * @param late whether they come when every date of a rule has passed; dates of steps are left out
 *     then
 */
record Profile(Set<GroupId> groups, boolean named, Set<Integer> failing, boolean late) {
  static Profile in(Set<GroupId> groups, boolean named) {
    return new Profile(groups, named, Set.of(), /* late= */ false);
  }

  Profile neverPassing(Collection<Integer> steps) {
    return new Profile(groups, named, Set.copyOf(steps), late);
  }

  Profile comingLate() {
    return new Profile(groups, named, failing, /* late= */ true);
  }

  /** Whether a step is for them. */
  boolean has(Step step) {
    Step.Audience audience = step.audience();
    return audience.everyone()
        || audience.groups().stream().anyMatch(groups::contains)
        || (named && !audience.people().isEmpty());
  }
}
