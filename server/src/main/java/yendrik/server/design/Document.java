package yendrik.server.design;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.BadgeId;
import yendrik.core.id.RubricId;
import yendrik.core.id.StepId;
import yendrik.core.rubric.Rubric;
import yendrik.core.words.OwnWords;

/**
 * A design with the content of its steps and their rubrics: what one publication holds.
 *
 * @param words what steps say in words of their own, without those that say nothing
 */
public record Document(
    CourseDesign design,
    Map<StepId, Content> contents,
    Map<StepId, Integer> minutes,
    Map<StepId, OwnWords> words,
    Map<BadgeId, BadgeFace> faces,
    Map<RubricId, Rubric> rubrics) {

  /** All that a step is assessed with. */
  List<Rubric> rubrics(StepId step) {
    return content(step).rubrics().stream()
        .flatMap(id -> Optional.ofNullable(rubrics.get(id)).stream())
        .sorted(Comparator.comparing(rubric -> rubric.id().value()))
        .toList();
  }

  /** What the work at a step is assessed with. */
  public Optional<Rubric> rubric(StepId step) {
    return content(step).rubric().map(rubrics::get);
  }

  /**
   * What is in a step.
   *
   * @throws IllegalArgumentException if the document has no such step
   */
  public Content content(StepId step) {
    Content content = contents.get(step);
    if (content == null) throw new IllegalArgumentException("no step " + step + " in the document");
    return content;
  }

  /** What a badge shows and says. */
  public BadgeFace face(BadgeId badge) {
    return faces.getOrDefault(badge, BadgeFace.PLAIN);
  }

  /** What a step says in words of its own. */
  public OwnWords words(StepId step) {
    return words.getOrDefault(step, OwnWords.NONE);
  }

  /** What is in a step of a kind. */
  public <C extends Content> C content(StepId step, Class<C> type) {
    return type.cast(content(step));
  }
}
