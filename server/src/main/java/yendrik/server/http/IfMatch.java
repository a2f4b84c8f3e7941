package yendrik.server.http;

/** The version that a sender saw, as the header {@code If-Match} carries it. */
public final class IfMatch {
  private IfMatch() {}

  /**
   * Reads the header.
   *
   * @throws Problem naming the header when it is not a whole number
   */
  public static int version(String header) {
    try {
      return Integer.parseInt(header.replace("\"", ""));
    } catch (NumberFormatException e) {
      throw Problem.field("If-Match", "version-no-number");
    }
  }
}
