package yendrik.core.progress;

import yendrik.core.Refusal;

/**
 * One state with its two marks.
 *
 * @param outOfReach whether it can no longer be done unless staff act; only for required steps
 */
public record Bead(StepState state, boolean overdue, boolean outOfReach) {
  private static final char FIRST = '0';

  /** One character from {@code '0'} upward: four for each state, by overdue and out of reach. */
  public char letter() {
    return (char) (FIRST + state.ordinal() * 4 + (overdue ? 1 : 0) + (outOfReach ? 2 : 0));
  }

  /**
   * Reads what {@link #letter} wrote.
   *
   * @throws Refusal for any other character
   */
  public static Bead of(char letter) {
    int code = letter - FIRST;
    if (code < 0 || code >= StepState.values().length * 4)
      throw new Refusal("no-bead", "letter", String.valueOf(letter));
    return new Bead(StepState.values()[code / 4], code % 2 == 1, code % 4 >= 2);
  }
}
