package yendrik.server.way;

import java.util.function.LongSupplier;
import yendrik.core.id.FactId;

/**
 * Ids for the new facts of one act, taken from the database in blocks. The first block comes with
 * the lock on the learner, so that ids are in the order of the acts.
 */
final class FactIds {
  /** How many ids one value of the sequence stands for; the sequence counts in these steps. */
  private static final int BLOCK = 16;

  private final LongSupplier blocks;
  private long next;
  private long end;

  /**
   * @param first the first block
   * @param blocks where more come from
   */
  FactIds(long first, LongSupplier blocks) {
    next = first;
    end = first + BLOCK;
    this.blocks = blocks;
  }

  FactId next() {
    if (next == end) {
      next = blocks.getAsLong();
      end = next + BLOCK;
    }
    return new FactId(next++);
  }
}
