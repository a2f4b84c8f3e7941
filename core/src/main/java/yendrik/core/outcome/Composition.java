package yendrik.core.outcome;

import java.util.List;
import yendrik.core.Refusal;
import yendrik.core.id.OutcomeId;

/**
 * An outcome made of others, and how their levels combine to its own. It has no evidence of its
 * own.
 *
 * <p>Levels of parts on another scale are carried over by their place below or above mastery, see
 * {@link Composed#carry}. {@link All} and {@link AtLeast} give a level as soon as one part has one,
 * {@link Mean} and {@link Lowest} once every part has one.
 */
public record Composition(List<OutcomeId> parts, How how) {

  /** Ways to combine. */
  public sealed interface How {}

  /**
   * Mastery when all parts are at mastery, and then the lowest of them; before that, the levels
   * short of mastery in equal shares of the parts that are.
   */
  public record All() implements How {}

  /** As {@link All}, but for {@code n} of the parts; above mastery, the n-th best of them. */
  public record AtLeast(int n) implements How {
    public AtLeast {
      if (n < 1) throw new Refusal("at-least", "n", n);
    }
  }

  /** The mean of the parts' levels, to the nearest level, a tie going down. */
  public record Mean() implements How {}

  /** The lowest of the parts' levels. */
  public record Lowest() implements How {}

  public Composition {
    parts = List.copyOf(parts);
  }
}
