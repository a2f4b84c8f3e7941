package yendrik.core.quiz.taking;

/** What happens when the time of an attempt is up. */
public enum TimeUp {
  /** What is there is handed in. */
  HANDED_IN,
  /** What was begun may be finished for some minutes more; no other question may be answered. */
  FINISHED,
  /** What was not handed in by then counts nothing. */
  NOTHING
}
