package yendrik.core.course;

import java.util.HashSet;
import java.util.Set;
import yendrik.core.id.CourseId;

/**
 * What must be complete before somebody can be enrolled in a course.
 *
 * @param courses none for nothing
 * @param all whether all of them are needed, or any
 * @param hold whether an enrolment waits until that is so; otherwise it is refused
 */
public record Prerequisites(Set<CourseId> courses, boolean all, boolean hold) {
  public static final Prerequisites NONE = new Prerequisites(Set.of(), true, false);

  public Prerequisites {
    courses = Set.copyOf(courses);
  }

  /**
   * The courses that keep somebody out who has completed these: all that are missing where all are
   * needed, and all there are where none of them is complete and any would do.
   */
  public Set<CourseId> missing(Set<CourseId> completed) {
    Set<CourseId> missing = new HashSet<>(courses);
    missing.removeAll(completed);
    return !all && missing.size() < courses.size() ? Set.of() : missing;
  }
}
