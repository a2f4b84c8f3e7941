package yendrik.server.kinds.file;

import java.util.List;
import org.springframework.stereotype.Component;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.server.design.Carrying;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.TextRoom;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** Files to look at or to save, with a few words about them. */
@Component
class FileRoom extends TextRoom<FileContent, FileAuthored, FileEdit> {
  private final Files files;

  FileRoom(Files files) {
    super(StepKind.FILE, FileContent.class, FileAuthored.class, FileEdit.class);
    this.files = files;
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return FileShown.class;
  }

  @Override
  protected FileContent fresh() {
    return new FileContent("", List.of());
  }

  @Override
  protected FileAuthored part(FileContent content) {
    return new FileAuthored(content.shown());
  }

  @Override
  protected FileEdit edit(FileContent content) {
    return new FileEdit(content.shown().stream().map(Files.Kept::id).toList());
  }

  @Override
  protected FileContent checked(Place place, String body, FileEdit edit) {
    return new FileContent(
        body, edit.files().stream().distinct().map(f -> file(place.course(), f)).toList());
  }

  private Files.Kept file(CourseId course, long id) {
    return files.of(course, id).orElseThrow(() -> Problem.field("files", "no-such-file"));
  }

  @Override
  protected FileContent carried(FileContent content, Carrying to) {
    return new FileContent(
        to.text(content.body()),
        content.shown().stream()
            .flatMap(f ->
                to.file(f.id()).stream()
                    .map(id -> new Files.Kept(id, f.name(), f.mediaType(), f.bytes())))
            .toList());
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    return new FileShown(walk.content(s, FileContent.class).shown());
  }

  @Override
  public FileEdit written(DemoScript script) {
    return new FileEdit(script.files());
  }
}
