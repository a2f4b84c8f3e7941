package yendrik.server.kinds.assignment;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.strand.work.Judgement;
import yendrik.server.design.RubricForms;
import yendrik.server.files.Files;
import yendrik.server.learn.LearnerPart;

/** What learners see of an assignment: what they handed in, newest first, and what staff say. */
@JsonTypeName("assignment")
public record AssignmentShown(
    boolean canHandIn,
    Takes takes,
    boolean passesAtOnce,
    Optional<DraftView> draft,
    List<VersionView> versions,
    Optional<RubricForms.Sheet> rubric)
    implements LearnerPart {

  @Schema(name = "MyVersion")
  public record VersionView(
      int version,
      Instant at,
      boolean late,
      String text,
      String link,
      List<Files.Kept> files,
      Optional<MarkView> mark) {}

  /** What was begun and not handed in. */
  @Schema(name = "MyDraft")
  public record DraftView(String text, String link, List<Files.Kept> files, Instant at) {}

  @Schema(name = "MyMark")
  public record MarkView(
      Judgement judgement,
      double points,
      double of,
      String comment,
      Instant at,
      List<String> levels,
      Optional<RubricForms.Filled> assessed) {}
}
