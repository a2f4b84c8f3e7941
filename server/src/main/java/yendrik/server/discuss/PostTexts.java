package yendrik.server.discuss;

import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.texts.OwnTexts;

/** Checks what somebody wants to write. */
@Component
class PostTexts {
  private final Files files;
  private final OwnTexts texts;

  PostTexts(Files files, OwnTexts texts) {
    this.files = files;
    this.texts = texts;
  }

  /**
   * @param had files that stand there already
   * @throws Problem naming the field that is not right
   */
  Posts.Words checked(CourseId course, PersonId by, PostForms.TextForm sent, List<Files.Kept> had) {
    OwnTexts.OwnText text = texts.checked(course, by, sent.text(), had);
    List<Files.Kept> taken =
        sent.files().stream().distinct().map(id -> file(course, by, id, had)).toList();
    if (OwnTexts.isBlank(text.html()) && taken.isEmpty())
      throw Problem.field("text", "nothing-written");
    return new Posts.Words(
        text.html(), Stream.concat(taken.stream(), text.shown().stream()).distinct().toList());
  }

  /** A file that somebody has sent. */
  Files.Kept own(CourseId course, PersonId by, long id) {
    return files.own(course, by, id).orElseThrow(() -> Problem.notFound("file"));
  }

  private Files.Kept file(CourseId course, PersonId by, long id, List<Files.Kept> had) {
    return had.stream()
        .filter(f -> f.id() == id)
        .findFirst()
        .or(() -> files.own(course, by, id))
        .orElseThrow(() -> Problem.field("files", "no-such-file"));
  }
}
