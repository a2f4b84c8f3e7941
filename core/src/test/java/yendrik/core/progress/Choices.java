package yendrik.core.progress;

import java.util.List;

/**
 * Numbers from which something random is built, one after the other. Fewer and smaller numbers make
 * something simpler, so that a failing example shrinks to a small one by itself; when they run out,
 * the simplest is chosen.
 */
public final class Choices {
  private final List<Integer> numbers;
  private int taken;

  public Choices(List<Integer> numbers) {
    this.numbers = numbers;
  }

  /** 0 to {@code bound - 1}; 0 is the simplest. */
  public int next(int bound) {
    if (taken >= numbers.size()) return 0;
    return numbers.get(taken++) % bound;
  }

  /** True once in so many times, false when the numbers have run out. */
  public boolean rarely(int of) {
    return next(of) == of - 1;
  }

  public boolean more() {
    return taken < numbers.size();
  }
}
