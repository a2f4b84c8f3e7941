package yendrik.core.quiz;

import java.text.Normalizer;
import java.util.Locale;

/**
 * Words that are typed, and forms that take them. A star in a form stands for any letters, also
 * none; every other sign is just that. Spaces at both ends never count, and several in the middle
 * are one; letters are compared in their compatible composed form (Unicode NFKC), so that it does
 * not matter how an accent was typed.
 */
public final class Typed {
  private Typed() {}

  /**
   * Whether words fit a form.
   *
   * @param withCase whether large and small letters are told apart
   */
  public static boolean fits(String form, String words, boolean withCase) {
    return fits(plain(form, withCase), plain(words, withCase));
  }

  /** Whether a form is of stars only. */
  public static boolean takesAnything(String form) {
    return !form.isBlank() && form.matches("[*\\s]+");
  }

  private static String plain(String words, boolean withCase) {
    String one =
        Normalizer.normalize(words, Normalizer.Form.NFKC).replaceAll("[\\p{Z}\\s]+", " ").strip();
    return withCase ? one : one.toUpperCase(Locale.ROOT).toLowerCase(Locale.ROOT);
  }

  /**
   * In time that grows with the product of both lengths and not faster: the last star that was met
   * is tried one letter further each time.
   */
  private static boolean fits(String form, String given) {
    int f = 0;
    int g = 0;
    int star = -1;
    int from = 0;
    while (g < given.length()) {
      if (f < form.length() && form.charAt(f) == '*') {
        star = f++;
        from = g;
      } else if (f < form.length() && form.charAt(f) == given.charAt(g)) {
        f++;
        g++;
      } else if (star >= 0) {
        f = star + 1;
        g = ++from;
      } else return false;
    }
    while (f < form.length() && form.charAt(f) == '*') f++;
    return f == form.length();
  }
}
