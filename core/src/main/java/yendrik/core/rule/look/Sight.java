package yendrik.core.rule.look;

import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;

/**
 * What a rule may look at: the facts of one learner and what has been derived from them so far, at
 * one moment. Steps, modules, outcomes and badges go by their numbers in the course index; moments
 * are epoch milliseconds, {@link LearnerRecord#NEVER} for what has not happened.
 */
public interface Sight {
  LearnerRecord record();

  long now();

  /**
   * Whether questions about the step drop out for this learner: it is not given to them, or they
   * are excused and have not done it.
   */
  boolean waived(int step);

  /** When the step was done, and so stays done. */
  long doneAt(int step);

  /**
   * Whether the step counts as done only because nothing of what it asks for concerns this learner;
   * such a step is as if it were not there.
   */
  boolean doneByWaiver(int step);

  /** Whether the learner can use the step now. */
  boolean open(int step);

  /** Whether the step can be used now or, without staff acting, some day. */
  boolean usable(int step);

  /** Whether the step can no longer be done unless staff act. */
  boolean outOfReach(int step);

  /** How far the step is on its way to done, 0 to 1. */
  double fraction(int step);

  Turn turn(int step);

  long moduleDoneAt(int module);

  /** Whether nothing in the module counts for this learner. */
  boolean nothingToDo(int module);

  boolean moduleOutOfReach(int module);

  double moduleFraction(int module);

  Turn moduleTurn(int module);

  boolean holds(int badge);

  boolean badgeOutOfReach(int badge);

  boolean complete();

  /**
   * Since when a part of a rule has been met for the first time, {@link LearnerRecord#NEVER} where
   * it has not.
   *
   * @param number which of those that the course asks about so
   * @param met whether it is met now, which is put down when it is the first time
   */
  long firstMet(int number, boolean met);

  /** Whether the course can no longer be completed unless staff act. */
  boolean completeOutOfReach();
}
