package yendrik.core;

/** Text that is what it looks like: names and codes stand in lists, letters and addresses. */
public final class Plain {
  private static final int ZERO_WIDTH_NON_JOINER = 0x200C;
  private static final int ZERO_WIDTH_JOINER = 0x200D;

  private Plain() {}

  /**
   * Whether a text has no character that cannot be seen or that changes how others are seen:
   * controls, line ends, marks of direction, characters without meaning. Joiners of letters may
   * stand in it, but not alone.
   */
  public static boolean is(String text) {
    return text.codePoints().allMatch(Plain::mayStand)
        && (text.isBlank() || text.codePoints().anyMatch(c -> !isJoiner(c)));
  }

  /** Whether a longer text has only characters that can be kept: no NUL and no half of a pair. */
  public static boolean canBeKept(String text) {
    return text.codePoints().noneMatch(c -> c == 0 || Character.getType(c) == Character.SURROGATE);
  }

  /** The text without what may not stand in a name. */
  public static String cleaned(String text) {
    var clean = new StringBuilder();
    text.codePoints().filter(Plain::mayStand).forEach(clean::appendCodePoint);
    return is(clean.toString()) ? clean.toString() : "";
  }

  private static boolean mayStand(int c) {
    return switch (Character.getType(c)) {
      case Character.CONTROL,
          Character.LINE_SEPARATOR,
          Character.PARAGRAPH_SEPARATOR,
          Character.SURROGATE,
          Character.PRIVATE_USE,
          Character.UNASSIGNED ->
          false;
      case Character.FORMAT -> isJoiner(c);
      default -> true;
    };
  }

  private static boolean isJoiner(int c) {
    return c == ZERO_WIDTH_JOINER || c == ZERO_WIDTH_NON_JOINER;
  }
}
