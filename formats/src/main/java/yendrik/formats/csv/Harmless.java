package yendrik.formats.csv;

/**
 * Texts that a spreadsheet takes for formulas, made harmless by a leading apostrophe, which
 * spreadsheets understand as the sign of a text.
 */
public final class Harmless {
  private static final char APOSTROPHE = '\'';

  /** The signs that formulas begin with, full-width ones too. */
  private static final String BEGINNINGS =
      "=+-@|\uFF1D\uFF0B\uFF0D\uFF20\u2212\uFE62\uFE63\uFE66\uFE6B";

  private Harmless() {}

  /** A text as it is written into a cell. */
  public static String written(String text) {
    return looksLikeFormula(unquoted(text)) ? APOSTROPHE + text : text;
  }

  /** The text that was written; of what nobody made harmless nothing is taken away. */
  public static String read(String cell) {
    boolean quoted = !cell.isEmpty() && cell.charAt(0) == APOSTROPHE;
    return quoted && looksLikeFormula(unquoted(cell)) ? cell.substring(1) : cell;
  }

  private static String unquoted(String text) {
    int from = 0;
    while (from < text.length() && text.charAt(from) == APOSTROPHE) from++;
    return text.substring(from);
  }

  /** Whether the first character that is seen begins a formula. */
  private static boolean looksLikeFormula(String text) {
    return text.codePoints()
        .dropWhile(c -> !seen(c))
        .limit(1)
        .anyMatch(c -> BEGINNINGS.indexOf(c) >= 0);
  }

  private static boolean seen(int c) {
    return switch (Character.getType(c)) {
      case Character.CONTROL,
          Character.FORMAT,
          Character.SPACE_SEPARATOR,
          Character.LINE_SEPARATOR,
          Character.PARAGRAPH_SEPARATOR ->
          false;
      default -> true;
    };
  }
}
