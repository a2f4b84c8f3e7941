package yendrik.core.quiz.taking;

/** How the questions of an attempt are laid out. */
public enum Pages {
  /** All on one page. */
  ALL,
  /** One a page, in any order. */
  ONE,
  /** One a page, and never back. */
  FORWARD
}
