package yendrik.server.kinds.quiz.question;

import java.util.Optional;
import yendrik.core.quiz.Shown;
import yendrik.server.http.SafeHtml;
import yendrik.server.texts.OwnTexts;

/** Words as they come from an author: plain, or formatted, and then the plain ones follow them. */
public final class WrittenShown {
  private WrittenShown() {}

  /**
   * @param formatted as it came; what says and shows nothing is as if it had not come
   */
  public static Shown of(String text, Optional<String> formatted) {
    return formatted
        .map(SafeHtml::of)
        .filter(safe -> !OwnTexts.isBlank(safe))
        .map(safe -> new Shown(OwnTexts.plain(safe), Optional.of(safe)))
        .orElseGet(() -> Shown.of(text));
  }
}
