package yendrik.core.words;

/** Figures as they are written everywhere. */
public final class Numbers {

  private Numbers() {}

  /**
   * A share as whole percent, rounded down so that nobody seems to have reached what they missed.
   */
  public static String percent(double share) {
    return (int) Math.floor(share * 100 + 1e-9) + " %";
  }

  /** A number without needless places: "12", "7.5". */
  public static String plain(double n) {
    return n == Math.rint(n) ? Long.toString((long) n) : Double.toString(n);
  }

  /** What somebody wrote, at the end of a sentence; nothing where they wrote nothing. */
  public static String said(String text) {
    return text.isBlank() ? "" : ". “" + text + "”";
  }

  /** "1 day", "6 days". */
  public static String count(long n, String one) {
    return n + " " + (n == 1 ? one : one + "s");
  }
}
