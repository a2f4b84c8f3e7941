package yendrik.core.outcome;

import yendrik.core.Refusal;

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
   * Σ(vᵢ·lᵢ)/Σvᵢ with vᵢ = wᵢ·2^(−(n−i)/h): the weight halves with every h newer pieces. With h = 2
   * the newest of four counts 39 %, the ones before it 28, 20 and 14 %. The order is that of the
   * moments; of two pieces at the same moment, the one recorded later is the newer.
   *
   * @param halvesEvery h, from 1
   */
  record RecencyWeighted(int halvesEvery) implements LevelMethod {
    public RecencyWeighted {
      if (halvesEvery < 1) throw new Refusal("halves", "n", halvesEvery);
    }
  }

  /**
   * The highest level that {@code times} of the last {@code last} pieces reach or exceed: the
   * {@code times}-th highest of them. Without {@code times} pieces there is no level yet. Weights
   * do not matter, nor does the order within the last pieces.
   */
  record Secure(int times, int last) implements LevelMethod {
    public Secure {
      if (times < 1 || last < times) throw new Refusal("secure", "n", times, "of", last);
    }
  }
}
