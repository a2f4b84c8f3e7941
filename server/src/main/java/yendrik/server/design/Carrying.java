package yendrik.server.design;

import java.util.Optional;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.QuestionId;
import yendrik.core.id.RubricId;

/**
 * What has become of the things that a step speaks of, in the course that it is copied to. Nothing
 * but files is there unless somebody says so.
 */
@FunctionalInterface
public interface Carrying {
  /** The file there, or nothing if it could not be taken along. */
  Optional<Long> file(long file);

  default Optional<RubricId> rubric(RubricId rubric) {
    return Optional.empty();
  }

  default Optional<OutcomeId> outcome(OutcomeId outcome) {
    return Optional.empty();
  }

  /** A question of the course, which goes along. */
  default Optional<QuestionId> question(QuestionId question) {
    return Optional.empty();
  }

  /** A text with the files that it shows. */
  default String text(String html) {
    return TextFiles.carried(html, this);
  }
}
