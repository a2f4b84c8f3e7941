package yendrik.core.rule;

/** What is counted in a row: days, or weeks from Monday to Sunday, of the course's time zone. */
public enum Rhythm {
  DAYS,
  WEEKS
}
