package yendrik.core.rule.plan;

import java.util.List;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;

/**
 * A condition with what it came to for one learner at one moment.
 *
 * @param fraction how far, 0 to 1
 * @param turn whose turn it is while it is not met
 * @param next epoch milliseconds of the next change by the clock, {@link Long#MAX_VALUE} for none
 */
public record Explained(
    Condition condition,
    Verdict verdict,
    double fraction,
    Turn turn,
    long next,
    List<Explained> parts) {
  public Explained {
    parts = List.copyOf(parts);
  }
}
