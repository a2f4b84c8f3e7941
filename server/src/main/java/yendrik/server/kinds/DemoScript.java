package yendrik.server.kinds;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import yendrik.core.id.RubricId;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.taking.Taking;
import yendrik.server.files.FileSort;

/** What the demo's script says about a step. */
public interface DemoScript {
  List<Question> questions();

  /** What is drawn beside them. */
  List<DemoDraw> draws();

  /** Questions drawn from those of the course that have a tag. */
  record DemoDraw(String tag, int count) {}

  /** How they are taken, if not in the usual way. */
  Optional<Taking> taking();

  Optional<DemoFilm> film();

  /** Whether each group has it by itself. */
  boolean byGroup();

  /** Files of the course that belong to it. */
  List<Long> files();

  /** Where it leads, if it leads elsewhere. */
  Optional<String> address();

  /** What the work is assessed with. */
  Optional<RubricId> rubric();

  /** What of files can be handed in beside a text. */
  Set<FileSort> takes();

  /** What is said in its film. */
  List<DemoCaption> captions();

  /**
   * @param file as it was kept
   */
  record DemoFilm(long file, String name, int seconds) {}

  /**
   * @param from seconds from the film's beginning
   * @param to the same of its end
   */
  record DemoCaption(int from, int to, String text) {}
}
