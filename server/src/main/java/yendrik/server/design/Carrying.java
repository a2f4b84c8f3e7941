package yendrik.server.design;

import java.util.Optional;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.QuestionId;
import yendrik.core.id.RubricId;

/** What has become of the things that a step speaks of, in the course that it is copied to. */
public interface Carrying {
  /** The file there, or nothing if it could not be taken along. */
  Optional<Long> file(long file);

  Optional<RubricId> rubric(RubricId rubric);

  Optional<OutcomeId> outcome(OutcomeId outcome);

  /** A question of the course, which goes along. */
  Optional<QuestionId> question(QuestionId question);

  /** A text with the files that it shows. */
  default String text(String html) {
    return TextFiles.carried(html, this);
  }
}
