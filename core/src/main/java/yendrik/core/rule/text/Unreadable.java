package yendrik.core.rule.text;

import yendrik.core.words.Phrase;

/** Ends the reading of a text at a place in it. */
final class Unreadable extends RuntimeException {
  private static final long serialVersionUID = 1;
  static final String EXPECTED = "rule-text.expected";

  private final int at;
  private final transient Phrase says;

  Unreadable(int at, Phrase says) {
    this.at = at;
    this.says = says;
  }

  TextFault in(String text) {
    String before = text.substring(0, Math.min(at, text.length()));
    int lines = (int) before.chars().filter(c -> c == '\n').count();
    return new TextFault(lines + 1, before.length() - before.lastIndexOf('\n'), says);
  }

  /** Whether something else was expected there, and nothing is wrong with what is there. */
  boolean expects() {
    return says.key().equals(EXPECTED);
  }

  int at() {
    return at;
  }
}
