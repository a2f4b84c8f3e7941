package yendrik.core.quiz;

import java.util.Optional;

/**
 * Words as they are shown.
 *
 * @param text the words alone, for lists, letters and figures
 * @param formatted how they look, as safe HTML, where they are more than plain words
 */
public record Shown(String text, Optional<String> formatted) {
  /** Plain words. */
  public static Shown of(String text) {
    return new Shown(text, Optional.empty());
  }

  /** Whether nothing is said. */
  public boolean isBlank() {
    return text.isBlank();
  }
}
