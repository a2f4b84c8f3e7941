package yendrik.server.watch.report;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;

/**
 * Who has completed what, and when.
 *
 * @param version of the design that the columns are from
 * @param rule when the course is complete, in words; empty for the usual
 * @param modules that are published, in course order
 */
@JsonTypeName("completion")
public record CompletionView(
    int version,
    String rule,
    List<CompletionHead> modules,
    List<Group> groups,
    List<CompletionRow> learners)
    implements ReportView {
  public record CompletionHead(ModuleId id, String name, List<CompletionStep> steps) {}

  public record CompletionStep(StepId id, String name, boolean required) {}

  /**
   * @param share of the required steps that is done, 0 to 1
   * @param missing the fewest things that keep the course from being complete
   * @param modules by id; what has nothing for the learner is not among them
   */
  public record CompletionRow(
      EnrolmentId enrolment,
      PersonId person,
      String name,
      List<GroupId> groups,
      boolean flagged,
      double share,
      Optional<Instant> completedAt,
      int missing,
      boolean left,
      Map<ModuleId, CompletionCell> modules) {}

  /**
   * @param done required steps that are done
   * @param of required steps that there are for the learner
   * @param at when the module was done
   * @param thread the beads of its steps, see {@link yendrik.core.progress.Bead}
   */
  public record CompletionCell(int done, int of, Optional<Instant> at, String thread) {}
}
