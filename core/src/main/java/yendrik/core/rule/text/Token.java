package yendrik.core.rule.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yendrik.core.words.Phrase;

/**
 * A word, number, name, moment or sign of a text.
 *
 * @param text what it says; a name without its quotes
 * @param at where it begins
 */
record Token(Kind kind, String text, int at) {
  enum Kind {
    WORD,
    NUMBER,
    NAME,
    MOMENT,
    SIGN
  }

  private static final Pattern SPACE = Pattern.compile("[\\s\\u00a0\\u202f]+");
  private static final Pattern MOMENT =
      Pattern.compile(
          "\\d{4}-\\d{2}-\\d{2}[ T]\\d{2}:\\d{2}(:\\d{2}(\\.\\d{1,9})?)?([+-]\\d{2}:\\d{2}|Z)?");
  private static final Pattern NUMBER = Pattern.compile("\\d+(\\.\\d+)?");
  private static final Pattern WORD = Pattern.compile("\\p{L}+");
  private static final Pattern NAME =
      Pattern.compile("\"([^\"]*+(?:\"\"[^\"]*+)*+)\"|[“„]([^“”]*+)[“”]");

  boolean is(String sign) {
    return kind == Kind.SIGN && text.equals(sign);
  }

  /** Whether it is a word, in the singular or the plural. */
  boolean says(String word) {
    return kind == Kind.WORD && singular(text).equals(singular(word));
  }

  /** A word in lower case without the end of its plural. */
  static String singular(String word) {
    String low = word.toLowerCase(Locale.ROOT);
    if (low.endsWith("ies")) return low.substring(0, low.length() - 3) + "y";
    return low.endsWith("s") ? low.substring(0, low.length() - 1) : low;
  }

  static List<Token> of(String text) {
    List<Token> all = new ArrayList<>();
    int at = 0;
    while (at < text.length()) {
      Matcher space = SPACE.matcher(text).region(at, text.length());
      if (space.lookingAt()) {
        at = space.end();
        continue;
      }
      Token next = next(text, at);
      all.add(next);
      at = end(text, next);
    }
    return all;
  }

  private static Token next(String text, int at) {
    for (Kind kind : List.of(Kind.MOMENT, Kind.NUMBER, Kind.WORD, Kind.NAME)) {
      Matcher found = pattern(kind).matcher(text).region(at, text.length());
      if (found.lookingAt()) return new Token(kind, plain(kind, found), at);
    }
    char sign = text.charAt(at);
    if (sign == '"' || sign == '“' || sign == '„')
      throw new Unreadable(at, Phrase.of("rule-text.open-quote"));
    return new Token(Kind.SIGN, String.valueOf(sign), at);
  }

  private static String plain(Kind kind, Matcher found) {
    if (kind != Kind.NAME) return found.group();
    return found.group(1) != null ? found.group(1).replace("\"\"", "\"") : found.group(2);
  }

  private static int end(String text, Token token) {
    if (token.kind == Kind.SIGN) return token.at + 1;
    Matcher found = pattern(token.kind).matcher(text).region(token.at, text.length());
    if (!found.lookingAt()) throw new IllegalStateException("a token that is not there");
    return found.end();
  }

  private static Pattern pattern(Kind kind) {
    return switch (kind) {
      case WORD -> WORD;
      case NUMBER -> NUMBER;
      case NAME -> NAME;
      case MOMENT -> MOMENT;
      case SIGN -> throw new IllegalArgumentException("signs are what is left");
    };
  }
}
