package yendrik.server.way;

import java.util.function.LongSupplier;
import yendrik.core.id.FactId;

/**
 * Ids for the new facts of one act, taken from the database in blocks. The first block is asked for
 * once the learner is locked, so that ids are in the order of the acts.
 */
final class FactIds {
  /** How many ids one value of the sequence stands for; the sequence counts in these steps. */
  private static final int BLOCK = 16;

  private final LongSupplier blocks;
  private long next;
  private long end;

  FactIds(LongSupplier blocks) {
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
