package yendrik.server.rehearse;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.id.RehearsalId;
import yendrik.core.id.StepId;
import yendrik.server.http.ByFields;
import yendrik.server.http.PlainText;
import yendrik.server.way.Explaining;

/** What is sent and shown of rehearsals. */
final class RehearsalViews {
  static final int MOST_LINES = 200;

  private RehearsalViews() {}

  /**
   * @param lines as they are stored
   */
  @Schema(name = "RehearsalEdit")
  record RehearsalEdit(
      @NotBlank @Size(max = 100) @PlainText String name,
      @NotNull @Size(max = MOST_LINES, message = "rehearsal-lines")
          List<@NotNull Map<String, Object>> lines)
      implements ByFields {}

  /** Asks why a step stands as it does behind these lines. */
  @Schema(name = "RehearsalQuestion")
  record AskedWhy(
      @NotNull @Size(max = MOST_LINES, message = "rehearsal-lines")
          List<@NotNull Map<String, Object>> lines,
      @NotNull StepId step) {}

  /**
   * A rehearsal played with the draft.
   *
   * @param holds whether all of it is as it is expected
   * @param difference the first line that is not, in words; empty where it holds
   * @param heldBefore whether it holds with what learners have now; empty before anything is
   *     published
   */
  @Schema(name = "Rehearsal")
  record RehearsalView(
      RehearsalId id,
      int version,
      String name,
      boolean holds,
      Optional<String> difference,
      Optional<Boolean> heldBefore,
      List<LineView> lines) {}

  /**
   * One line as it came out.
   *
   * @param line as it is stored
   * @param says it in words
   * @param thread all beads behind it, in course order
   * @param cannot why it cannot happen; empty where it did
   * @param came what the rules brought about
   * @param holds whether what is expected is so; empty for what happens
   */
  @Schema(name = "RehearsedLine")
  record LineView(
      Map<String, Object> line,
      String says,
      Instant at,
      String thread,
      Optional<String> cannot,
      List<String> came,
      Optional<Boolean> holds) {}

  /** Why a step is open or closed, and done or not. */
  @Schema(name = "RehearsedStep")
  record StepThen(
      String name, boolean open, List<Explaining.Part> opens, Optional<Explaining.Part> done) {}
}
