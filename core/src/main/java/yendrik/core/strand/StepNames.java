package yendrik.core.strand;

/**
 * How a step is named in a sentence about it.
 *
 * @param subject what staff read first; empty where the rule is the step's own
 * @param it as what one does something to: the name in quotes, or "it"
 * @param in as where one does something: " in" and the name in quotes, or nothing
 */
public record StepNames(String subject, String it, String in) {
  /** A step named by the rule of another thing. */
  public static StepNames of(String name, String quoted) {
    return new StepNames(name, quoted, " in " + quoted);
  }

  /** A step in a rule of its own. */
  public static StepNames own() {
    return new StepNames("", "it", "");
  }
}
