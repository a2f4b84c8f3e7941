package yendrik.core.quiz;

/** How hard a question is, as its author sees it. */
public enum Difficulty {
  EASY,
  MIDDLING,
  HARD
}
