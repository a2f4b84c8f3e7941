package yendrik.core.quiz;

import yendrik.core.Refusal;

/** The kinds of questions: the closed list. What a kind is stands in a package of its own. */
public enum QuestionKind {
  /** One of some choices is right. */
  CHOICE("choice"),
  /** Several of some choices may be right. */
  SEVERAL("several"),
  /** A statement is true or false. */
  TRUE_FALSE("true-false"),
  /** Beginnings and ends belong together. */
  MATCHING("matching"),
  /** Things have an order. */
  ORDERING("ordering"),
  /** A few words are typed. */
  SHORT("short"),
  /** Gaps in a text are filled in. */
  GAPS("gaps"),
  /** A number is typed. */
  NUMERIC("numeric"),
  /** A place on a picture is pointed at. */
  PLACE("place"),
  /** A text of one's own is written, and staff mark it. */
  OPEN("open");

  private final String stored;

  QuestionKind(String stored) {
    this.stored = stored;
  }

  /** The name under which the kind is stored; it keeps its meaning for good. */
  public String stored() {
    return stored;
  }

  /**
   * The kind that is stored under a name.
   *
   * @throws Refusal if none ever was
   */
  public static QuestionKind of(String stored) {
    for (QuestionKind kind : values()) if (kind.stored.equals(stored)) return kind;
    throw new Refusal("no-kind-of-question", "name", stored);
  }
}
