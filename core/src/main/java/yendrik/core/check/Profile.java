package yendrik.core.check;

import java.util.Set;
import yendrik.core.course.Step;
import yendrik.core.id.GroupId;

/**
 * For whom a design is walked through.
 *
 * @param groups in which they are
 * @param named whether they are whoever is named anywhere
 * @param failing the number of the step that they never pass, {@link #NONE} for none
 * @param late whether they come when every date of a rule has passed; dates of steps are left out
 *     then
 */
record Profile(Set<GroupId> groups, boolean named, int failing, boolean late) {
  static final int NONE = -1;

  static Profile in(Set<GroupId> groups, boolean named) {
    return new Profile(groups, named, NONE, false);
  }

  Profile neverPassing(int step) {
    return new Profile(groups, named, step, late);
  }

  Profile comingLate() {
    return new Profile(groups, named, failing, true);
  }

  /** Whether a step is for them. */
  boolean has(Step step) {
    Step.Audience audience = step.audience();
    return audience.everyone()
        || audience.groups().stream().anyMatch(groups::contains)
        || (named && !audience.people().isEmpty());
  }
}
