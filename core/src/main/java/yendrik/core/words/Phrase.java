package yendrik.core.words;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A sentence, or a part of one, that has not been said in any language yet: its key in the
 * catalogue and what stands in it.
 *
 * @param with by the names that the catalogue uses: text, numbers, other phrases, {@link
 *     java.time.Instant}s (said as a moment), {@link Day}s, and {@link Listed} phrases
 */
public record Phrase(String key, Map<String, Object> with) {
  private static final String TEXT = "text";

  /** Said as nothing at all. */
  public static final Phrase NONE = text("");

  public Phrase {
    with = Map.copyOf(with);
  }

  /** The day of a moment, without its time. */
  public record Day(java.time.Instant at) {}

  /** Phrases one after the other, with commas. */
  public record Listed(java.util.List<Phrase> parts) {
    public Listed {
      parts = java.util.List.copyOf(parts);
    }
  }

  /**
   * {@code Phrase.of("fact.handed-in", "step", step, "version", 2)}.
   *
   * @param with names and values in turn
   */
  public static Phrase of(String key, Object... with) {
    Map<String, Object> named = new LinkedHashMap<>();
    for (int n = 0; n < with.length; n += 2) named.put((String) with[n], with[n + 1]);
    return new Phrase(key, named);
  }

  /** What somebody wrote, as it is. */
  public static Phrase text(String text) {
    return of(TEXT, TEXT, text);
  }

  /** A name in quotes. */
  public static Phrase quoted(String name) {
    return of("quoted", "name", name);
  }

  /** The same with one thing more in it. */
  public Phrase and(String name, Object value) {
    Map<String, Object> more = new LinkedHashMap<>(with);
    more.put(name, value);
    return new Phrase(key, more);
  }

  /** With what somebody wrote about it, unless they wrote nothing. */
  public Phrase saying(String comment) {
    return comment.isBlank() ? this : of("with-comment", "sentence", this, "comment", comment);
  }

  public boolean isNone() {
    return equals(NONE);
  }

  /** For a log: whoever reads it knows no catalogue. */
  @Override
  public String toString() {
    return with.isEmpty() ? key : key + " " + with;
  }
}
