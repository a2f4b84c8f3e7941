package yendrik.core.kind;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.core.record.Strand;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.Offer;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.time.TimeLeaf;

/**
 * A kind of step: what the record holds about it, and what is usual. Rules never ask for kinds;
 * they ask strands.
 */
public interface Kind {
  /**
   * What the record holds about steps of this kind, besides that they were seen and for how long.
   */
  List<Strand.Door<?>> strands();

  /** What a new step of this kind asks to be done. */
  Leaf usualDoneWhen(StepId step);

  /** How a new step of this kind is scored. */
  Step.Scoring usualScoring();

  /** Whether attempts there may have a clock. */
  default boolean hasClock() {
    return false;
  }

  /** Whether learners can do something there that staff or a machine then judge. */
  boolean assesses();

  /** Whether learners can send work that then waits for staff. */
  default boolean handedIn() {
    return false;
  }

  /** Whether staff do it with the learner, so that nothing waits for the learner alone. */
  default boolean withStaff() {
    return false;
  }

  /** Whether staff judge all that is there, whenever they want to, and nothing waits for them. */
  default boolean markedAsItStands() {
    return false;
  }

  /**
   * Whether it comes once the course is complete, as long as a designer says nothing else: unseen
   * before, and nothing that the course asks for.
   */
  default boolean closes() {
    return false;
  }

  /** Questions that make sense about steps of this kind and ask for no number. */
  List<Offer> usualOffers(StepId step);

  /** Questions of this kind alone that ask for a number, 1 or more. */
  default List<Offer> numberOffers(StepId step, int n) {
    return List.of();
  }

  /** Questions that make sense about a step of this kind, with the number that was typed. */
  default List<Offer> offers(StepId step, OptionalInt number) {
    List<Offer> all = new ArrayList<>();
    if (number.isEmpty()) {
      all.addAll(usualOffers(step));
      all.add(new Offer(new ConfirmLeaf.Confirmed(step), "", 0));
      return all;
    }
    int n = number.getAsInt();
    if (assesses() && n <= 100) {
      all.add(new Offer(new MarkLeaf.Score(step, n / 100.0, 1), "score percent", 5));
      all.add(new Offer(new MarkLeaf.Score(step, 0, n / 100.0), "score less below under", 0));
    }
    if (n > 0) {
      all.addAll(numberOffers(step, n));
      all.add(new Offer(new TimeLeaf.TimeSpent(step, n), "minutes time spent", 0));
    }
    return all;
  }
}
