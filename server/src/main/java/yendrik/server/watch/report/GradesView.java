package yendrik.server.watch.report;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;

/**
 * The grades of learners.
 *
 * @param version of the design that the columns are from
 * @param steps that have points, in course order
 */
@JsonTypeName("grades")
public record GradesView(
    int version, List<GradeHead> steps, List<Group> groups, List<GradeRow> learners)
    implements ReportView {
  public record GradeHead(StepId id, String module, String name, StepKind kind, double points) {}

  /**
   * @param scores step id to the share of its points, 0 to 1
   * @param total share of the points of everything scored so far
   */
  public record GradeRow(
      EnrolmentId enrolment,
      PersonId person,
      String name,
      List<GroupId> groups,
      boolean flagged,
      Map<StepId, Double> scores,
      Optional<Double> total) {}
}
