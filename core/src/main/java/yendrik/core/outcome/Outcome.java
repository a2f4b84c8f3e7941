package yendrik.core.outcome;

import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.OutcomeId;

/**
 * Something a learner can do at the end, with the scale it is rated on and how a level is found.
 *
 * @param levelRule how the level follows from evidence; not used where the outcome is made of
 *     others
 * @param madeOf other outcomes, for one that has no evidence of its own
 */
public record Outcome(
    OutcomeId id,
    String code,
    String name,
    String description,
    Scale scale,
    LevelRule levelRule,
    Optional<Composition> madeOf) {
  public Outcome {
    if (code.isBlank()) throw new Refusal("no-code", "outcome", id.value());
  }
}
