package yendrik.core.words;

import java.util.Locale;

/** When something is said to a learner that somebody may want to say in words of their own. */
public enum Moment {
  /** Right after something was handed in. */
  HANDED_IN,
  /** As long as what was handed in waits for staff. */
  WAITING,
  /** A step was passed. */
  PASSED,
  /** What was handed in needs another go. */
  AGAIN,
  /** A step is done that nobody judges. */
  DONE,
  /** The course is complete. */
  COMPLETED;

  /**
   * What ships for it.
   *
   * @param step what stands for the name of the step, empty where there is none
   * @param course what stands for that of the course
   */
  public Phrase shipped(String step, String course) {
    String key = "moment." + name().toLowerCase(Locale.ROOT).replace('_', '-');
    return Phrase.of(key, "step", step, "course", course);
  }
}
