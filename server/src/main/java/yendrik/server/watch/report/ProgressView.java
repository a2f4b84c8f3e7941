package yendrik.server.watch.report;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.server.way.Summary;

/**
 * Where learners are.
 *
 * @param steps in course order, as the threads are
 */
@JsonTypeName("progress")
public record ProgressView(
    int version,
    Instant now,
    String zone,
    List<ModuleHead> modules,
    List<StepHead> steps,
    List<Group> groups,
    List<LearnerRow> learners)
    implements ReportView {
  public record ModuleHead(ModuleId id, String name) {}

  public record StepHead(
      StepId id,
      ModuleId module,
      String name,
      StepKind kind,
      boolean published,
      boolean required) {}

  /**
   * @param thread one letter for each step, see the glyphs
   * @param overdue how many steps are overdue
   */
  public record LearnerRow(
      EnrolmentId enrolment,
      PersonId person,
      String name,
      Optional<Instant> lastHere,
      double share,
      String thread,
      int overdue,
      List<Summary.Raised> flags,
      List<GroupId> groups) {}
}
