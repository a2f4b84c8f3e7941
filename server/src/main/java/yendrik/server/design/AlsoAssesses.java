package yendrik.server.design;

import java.util.Set;
import yendrik.core.id.StepId;

/** What is assessed with rubrics beside pieces of work. */
public interface AlsoAssesses {
  /** How many pieces at these steps were assessed with a rubric. */
  int withRubric(Set<StepId> steps);
}
