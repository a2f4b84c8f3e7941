package yendrik.server.design;

import java.util.Optional;
import java.util.Set;
import yendrik.core.id.RubricId;

/**
 * What is in a step: formatted text, and what its kind adds. Kept as JSON; each kind has a record
 * of its own, whose names are stored and so never change their meaning.
 */
public interface Content {
  /** Formatted text: the page, or what is asked for; safe HTML. */
  String body();

  /** What the work is assessed with, if anything. */
  default Optional<RubricId> rubric() {
    return Optional.empty();
  }

  /** All that anything of it is assessed with. */
  default Set<RubricId> rubrics() {
    return rubric().map(Set::of).orElse(Set.of());
  }

  /** The files that are shown or offered there. */
  default Set<Long> files() {
    return TextFiles.of(body());
  }
}
