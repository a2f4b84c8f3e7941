package yendrik.core.outcome;

/**
 * How one level follows from pieces of evidence. A level is an index into the outcome's scale, 0
 * the weakest. Below, l₁ … lₙ are the levels of the pieces that count, oldest first, and w₁ … wₙ
 * their weights. Values between two levels go to the nearest one, a tie going down, so that no
 * level is reached by rounding alone.
 */
public sealed interface LevelMethod {

  /** lₙ, the level of the newest piece; of two at the same moment, the one recorded later. */
  record MostRecent() implements LevelMethod {}

  /** max lᵢ. A further piece can never lower it. */
  record Best() implements LevelMethod {}

  /** Σ(wᵢ·lᵢ)/Σwᵢ. The order does not matter. */
  record Mean() implements LevelMethod {}

  /**
   * s·lₙ + (1−s)·Σᵢ₌₁ⁿ⁻¹(wᵢ·lᵢ)/Σᵢ₌₁ⁿ⁻¹wᵢ: the newest piece has a fixed share, the weighted mean of
   * the earlier ones the rest; a single piece counts whole. The order of the earlier ones does not
   * matter.
   *
   * @param newest s, the share of the newest piece, above 0 and up to 1
   */
  record RecencyWeighted(double newest) implements LevelMethod {
    public RecencyWeighted {
      if (!(newest > 0 && newest <= 1))
        throw new IllegalArgumentException("share of the newest piece " + newest);
    }
  }

  /**
   * The highest level that {@code times} of the last {@code last} pieces reach or exceed: the
   * {@code times}-th highest of them. Without {@code times} pieces there is no level yet. Weights
   * do not matter, nor does the order within the last pieces.
   */
  record Secure(int times, int last) implements LevelMethod {
    public Secure {
      if (times < 1 || last < times)
        throw new IllegalArgumentException(times + " of the last " + last);
    }
  }
}
