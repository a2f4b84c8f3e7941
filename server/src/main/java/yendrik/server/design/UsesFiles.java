package yendrik.server.design;

import java.util.Set;
import yendrik.core.id.CourseId;

/** Something besides steps that files of a course belong to. */
public interface UsesFiles {
  Set<Long> files(CourseId course);
}
