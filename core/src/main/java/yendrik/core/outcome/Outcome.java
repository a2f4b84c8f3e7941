package yendrik.core.outcome;

import yendrik.core.id.OutcomeId;

/**
 * Something a learner can do at the end, with the scale it is rated on and how a level is found.
 */
public record Outcome(
    OutcomeId id, String code, String name, String description, Scale scale, LevelMethod method) {
  public Outcome {
    if (code.isBlank()) throw new IllegalArgumentException("outcome " + id + " needs a code");
  }
}
