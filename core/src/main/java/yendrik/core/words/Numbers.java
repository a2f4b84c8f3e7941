package yendrik.core.words;

/** Figures as they are written everywhere. */
public final class Numbers {

  private Numbers() {}

  /**
   * A share as whole percent, rounded down so that nobody seems to have reached what they missed.
   */
  public static Phrase percent(double share) {
    return Phrase.of("percent", "n", (int) Math.floor(share * 100 + 1e-9));
  }
}
