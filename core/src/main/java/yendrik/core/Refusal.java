package yendrik.core;

import yendrik.core.words.Phrase;

/** A value that cannot be, with the reason for whoever gave it. */
public final class Refusal extends RuntimeException {
  private static final long serialVersionUID = 1;
  private final transient Phrase reason;

  /**
   * {@code new Refusal("level", "n", level)}.
   *
   * @param code the reason, {@code refused.} and this in the catalogue
   * @param with what stands in it, names and values in turn
   */
  public Refusal(String code, Object... with) {
    reason = Phrase.of("refused." + code, with);
  }

  public Phrase reason() {
    return reason;
  }

  @Override
  public String getMessage() {
    return reason.toString();
  }
}
