package yendrik.server.watch.report;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Map;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;

/**
 * How far learners are with the outcomes.
 *
 * @param version of the design that the columns are from
 */
@JsonTypeName("mastery")
public record MasteryView(
    int version, List<OutcomeHead> outcomes, List<Group> groups, List<MasteryRow> learners)
    implements ReportView {
  /**
   * @param composed whether it is made of others and cannot be rated itself
   * @param group names of the groups that it stands in now, outermost first
   */
  public record OutcomeHead(
      OutcomeId id,
      String code,
      String name,
      List<String> levels,
      int mastery,
      boolean composed,
      List<String> group,
      boolean retired) {}

  public record MasteryRow(
      EnrolmentId enrolment,
      PersonId person,
      String name,
      List<GroupId> groups,
      boolean flagged,
      Map<OutcomeId, Integer> levels) {}
}
