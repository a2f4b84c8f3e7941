package yendrik.server.kinds;

import java.util.List;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.core.quiz.Question;

/** What the demo's script says about a step. */
public interface DemoScript {
  List<Question> questions();

  Optional<DemoFilm> film();

  /** Whether each group has it by itself. */
  boolean byGroup();

  /** Files of the course that belong to it. */
  List<Long> files();

  /** Where it leads, if it leads elsewhere. */
  Optional<String> address();

  /** What the work is assessed with. */
  Optional<RubricId> rubric();

  /**
   * @param file as it was kept
   */
  record DemoFilm(long file, int seconds) {}
}
