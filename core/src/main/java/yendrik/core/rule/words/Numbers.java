package yendrik.core.rule.words;

/** Figures as they are written everywhere. */
public final class Numbers {

  private Numbers() {}

  /**
   * A share as whole percent, rounded down so that nobody seems to have reached what they missed.
   */
  public static String percent(double share) {
    return (int) Math.floor(share * 100 + 1e-9) + " %";
  }

  /** "1 day", "6 days". */
  public static String count(long n, String one) {
    return n + " " + (n == 1 ? one : one + "s");
  }
}
