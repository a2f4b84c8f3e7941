package yendrik.core.strand;

import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.look.Probe;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.StepProbe;
import yendrik.core.words.Ground;
import yendrik.core.words.Question;

/**
 * A question about what a strand holds about a step, with all that the rest of core needs of it.
 * Steps go by their numbers in the course.
 */
public interface StepLeaf extends Leaf.OfStrand {
  /** Looks at somebody who has the step, and fills in what the question comes to. */
  void ask(int step, Sight sight, LearnerRecord record, Reading reading);

  /** The question about one step, ready to be asked of anybody. */
  default Probe probe(int step) {
    return new StepProbe(step) {
      @Override
      protected void ask(Sight sight, LearnerRecord record, Reading reading) {
        StepLeaf.this.ask(step, sight, record, reading);
      }
    };
  }

  /** The question in words. */
  Question says(StepNames step);

  /** Whether it cannot be so without the other being so as well. */
  default boolean implies(StepLeaf other) {
    return equals(other);
  }

  /** What the record holds on it, empty when there is nothing to tell. */
  Optional<Ground> ground(LearnerRecord record, int step);

  /**
   * Refuses a number below 1.
   *
   * @throws Refusal saying what of it
   */
  static void positive(int n, String what) {
    if (n < 1) throw new Refusal("below-one." + what, "n", n);
  }

  /**
   * A question as one of its strand.
   *
   * @throws IllegalStateException if it does not say what it needs to
   */
  static StepLeaf of(Leaf.OfStrand leaf) {
    if (leaf instanceof StepLeaf full) return full;
    throw new IllegalStateException(leaf.getClass() + " is no StepLeaf");
  }
}
