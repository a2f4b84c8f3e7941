package yendrik.server.kinds.closing;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import yendrik.server.learn.LearnerPart;

/**
 * What was reached.
 *
 * @param done steps of those that count
 * @param badges that are held, by name
 */
@JsonTypeName("closing")
public record ClosingShown(int done, int steps, List<String> badges, List<ReachedView> outcomes)
    implements LearnerPart {
  /**
   * @param level what it is called; nothing without evidence
   */
  @Schema(name = "Reached")
  public record ReachedView(String name, Optional<String> level, boolean mastered) {}
}
