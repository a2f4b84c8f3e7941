package yendrik.core.course;

import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;
import yendrik.core.rule.Condition;

/**
 * Everything a designer decided about a course, at one version. Immutable; a change makes another.
 *
 * @param startsAt when the course begins for its learners
 * @param order in which order its steps are done, whatever its modules say of themselves
 * @param statuses what registers can say, in the order in which it is offered
 * @param groups names of the groups that rules may speak of
 * @param sessions names of the sessions that rules may speak of
 * @param otherCourses names of other courses that rules may speak of
 */
public record CourseDesign(
    CourseId id,
    int version,
    String name,
    ZoneId zone,
    Instant startsAt,
    Order order,
    List<Outcome> outcomes,
    List<CourseModule> modules,
    List<Badge> badges,
    List<Flag> flags,
    List<AttendanceStatus> statuses,
    Optional<Condition> completeWhen,
    Map<GroupId, String> groups,
    Map<SessionId, String> sessions,
    Map<CourseId, String> otherCourses) {

  public CourseDesign {
    // designs of before a course had an order say nothing of it
    order = order == null ? Order.FREE : order;
    outcomes = List.copyOf(outcomes);
    modules = List.copyOf(modules);
    badges = List.copyOf(badges);
    flags = List.copyOf(flags);
    statuses = List.copyOf(statuses);
    groups = Map.copyOf(groups);
    // designs of before rules spoke of sessions say nothing of them
    sessions = sessions == null ? Map.of() : Map.copyOf(sessions);
    otherCourses = Map.copyOf(otherCourses);
  }

  /** In which order the steps of a course are done. */
  public enum Order {
    /** As their rules and modules say. */
    FREE,
    /** Each waits for the required steps before it, also for those of earlier modules. */
    STRICT
  }

  /** All steps in course order. */
  public Stream<Step> steps() {
    return modules.stream().flatMap(m -> m.steps().stream());
  }

  public Optional<Step> step(StepId id) {
    return steps().filter(s -> s.id().equals(id)).findFirst();
  }

  public Optional<CourseModule> module(ModuleId id) {
    return modules.stream().filter(m -> m.id().equals(id)).findFirst();
  }

  public Optional<Outcome> outcome(OutcomeId id) {
    return outcomes.stream().filter(o -> o.id().equals(id)).findFirst();
  }

  public Optional<Badge> badge(BadgeId id) {
    return badges.stream().filter(b -> b.id().equals(id)).findFirst();
  }

  public Optional<AttendanceStatus> status(StatusId id) {
    return statuses.stream().filter(s -> s.id().equals(id)).findFirst();
  }

  /** The same of other modules. */
  public CourseDesign of(List<CourseModule> others) {
    return with(others, otherCourses);
  }

  /** The same, knowing the names of these other courses only. */
  public CourseDesign naming(Set<CourseId> others) {
    Map<CourseId, String> names = new HashMap<>(otherCourses);
    names.keySet().retainAll(others);
    return with(modules, names);
  }

  private CourseDesign with(List<CourseModule> its, Map<CourseId, String> others) {
    return new CourseDesign(
        id,
        version,
        name,
        zone,
        startsAt,
        order,
        outcomes,
        its,
        badges,
        flags,
        statuses,
        completeWhen,
        groups,
        sessions,
        others);
  }
}
