package yendrik.server.texts;

import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.server.design.TextFiles;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.http.SafeHtml;

/** Checks formatted text that somebody writes, with pictures of their own in it. */
@Component
public class OwnTexts {
  private static final int MOST_FILES = 30;
  private final Files files;

  OwnTexts(Files files) {
    this.files = files;
  }

  /**
   * A text as it is kept.
   *
   * @param html safe
   * @param shown the files that stand in it
   */
  public record OwnText(String html, List<Files.Kept> shown) {}

  /**
   * @param had files that stood there before
   * @throws Problem naming the field {@code text} where a file in it is not the writer's
   */
  public OwnText checked(CourseId course, PersonId by, String html, List<Files.Kept> had) {
    String safe = SafeHtml.of(html);
    Set<Long> shown = TextFiles.of(safe);
    if (shown.size() > MOST_FILES)
      throw Problem.field("text", "too-many-files-in-text", "most", MOST_FILES);
    return new OwnText(safe, shown.stream().sorted().map(id -> file(course, by, id, had)).toList());
  }

  private Files.Kept file(CourseId course, PersonId by, long id, List<Files.Kept> had) {
    return had.stream()
        .filter(f -> f.id() == id)
        .findFirst()
        .or(() -> files.own(course, by, id))
        .orElseThrow(() -> Problem.field("text", "no-such-file-in-text"));
  }

  /** Whether a text says and shows nothing. */
  public static boolean isBlank(String html) {
    return !html.contains("data-formula") && TextFiles.of(html).isEmpty() && plain(html).isEmpty();
  }

  /** The words of a text, without how they look; formulas and pictures by their own words. */
  public static String plain(String html) {
    String words =
        html.replaceAll("<(?:span|div) data-formula=\"([^\"]*)\">", "$1")
            .replaceAll("<img\\b[^>]*?\\balt=\"([^\"]+)\"[^>]*>", "[$1]")
            .replaceAll("</(?:p|li|h\\d|tr|pre|blockquote)>|<br ?/?>", "\n");
    return HtmlUtils.htmlUnescape(words.replaceAll("<[^>]*>", ""))
        .replaceAll("[\\p{Z}\\s]+", " ")
        .strip();
  }
}
