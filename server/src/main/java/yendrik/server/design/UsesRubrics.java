package yendrik.server.design;

import java.util.List;
import yendrik.core.id.CourseId;
import yendrik.core.id.RubricId;

/** What uses rubrics of a course and is in no step of it. */
public interface UsesRubrics {
  /** What it is called, in the order in which it was made. */
  List<String> using(CourseId course, RubricId rubric);
}
