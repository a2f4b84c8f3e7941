package yendrik.core.course;

/** Which of several attempts counts. */
public enum Counts {
  BEST,
  LATEST,
  FIRST,
  /** The mean of all that were finished. */
  MEAN
}
