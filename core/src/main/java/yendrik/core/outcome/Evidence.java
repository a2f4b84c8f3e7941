package yendrik.core.outcome;

import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;

/**
 * One piece of evidence for an outcome.
 *
 * @param at epoch milliseconds
 * @param level index into the outcome's scale
 * @param weight greater than 0
 * @param step the step that gave it, empty for a rating outside any step
 * @param version which handing-in it judges, 0 where nothing was handed in
 * @param by who judged; empty when a quiz did
 * @param note what was seen, in words
 * @param criterion the key of the rubric's criterion that it comes from, if it does
 */
public record Evidence(
    long at,
    int level,
    double weight,
    Optional<StepId> step,
    int version,
    Optional<PersonId> by,
    Optional<String> note,
    Optional<Integer> criterion) {

  /** A piece without words, from no rubric. */
  public Evidence(
      long at,
      int level,
      double weight,
      Optional<StepId> step,
      int version,
      Optional<PersonId> by) {
    this(at, level, weight, step, version, by, Optional.empty(), Optional.empty());
  }

  public Evidence {
    if (level < 0) throw new Refusal("level", "n", level);
    if (!(weight > 0)) throw new Refusal("weight", "weight", weight);
  }

  /** Whether a piece judges the same thing, so that the later of the two replaces the other. */
  public boolean sameThingAs(Evidence other) {
    return step.isPresent()
        && step.equals(other.step)
        && version == other.version
        && criterion.equals(other.criterion);
  }
}
