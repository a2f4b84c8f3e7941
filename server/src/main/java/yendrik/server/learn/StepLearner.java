package yendrik.server.learn;

import yendrik.core.course.StepKind;
import yendrik.core.record.LearnerRecord;
import yendrik.core.words.Phrase;
import yendrik.server.way.Walk;

/** A kind of step for those who learn. Steps go by their numbers in the course. */
public interface StepLearner {
  StepKind kind();

  /** What its learner sees of an open step, besides what all kinds have. */
  LearnerPart part(Walk walk, int s);

  /** The type of that part. */
  Class<? extends LearnerPart> learnerPart();

  /**
   * A few words on a step that is done: "read Wed 4 Nov".
   *
   * @param day on which it was
   */
  Phrase done(LearnerRecord record, int s, Phrase.Day day);
}
