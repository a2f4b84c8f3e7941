package yendrik.server.discuss;

import java.util.List;
import org.springframework.stereotype.Component;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.http.SafeHtml;

/** Checks what somebody wants to write. */
@Component
class PostTexts {
  private final Files files;

  PostTexts(Files files) {
    this.files = files;
  }

  /**
   * @param had files that stand there already
   * @throws Problem naming the field that is not right
   */
  Posts.Words checked(CourseId course, PersonId by, PostForms.TextForm sent, List<Files.Kept> had) {
    String text = SafeHtml.of(sent.text());
    List<Files.Kept> taken =
        sent.files().stream().distinct().map(id -> file(course, by, id, had)).toList();
    if (isBlank(text) && taken.isEmpty()) throw Problem.field("text", "nothing-written");
    return new Posts.Words(text, taken);
  }

  private static boolean isBlank(String html) {
    return !html.contains("data-formula")
        && html.replaceAll("<[^>]*>|&nbsp;|&#160;|[\\p{Z}\\s]", "").isEmpty();
  }

  private Files.Kept file(CourseId course, PersonId by, long id, List<Files.Kept> had) {
    return had.stream()
        .filter(f -> f.id() == id)
        .findFirst()
        .or(() -> files.own(course, by, id))
        .orElseThrow(() -> Problem.field("files", "no-such-file"));
  }
}
