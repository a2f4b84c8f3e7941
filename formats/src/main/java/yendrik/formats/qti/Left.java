package yendrik.formats.qti;

import yendrik.core.words.Phrase;

/** A question of a package that is left out, and why. */
final class Left extends Exception {
  private static final long serialVersionUID = 1;
  private final transient Phrase why;

  Left(String key, Object... with) {
    super(key);
    why = Phrase.of("qti.left." + key, with);
  }

  Phrase why() {
    return why;
  }
}
