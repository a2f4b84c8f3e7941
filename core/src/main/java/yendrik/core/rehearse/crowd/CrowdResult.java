package yendrik.core.rehearse.crowd;

import java.util.List;
import java.util.Optional;
import yendrik.core.id.BadgeId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;

/**
 * What became of a crowd.
 *
 * @param finished how many completed the course
 * @param stopped how many stopped before
 * @param noWayOn how many were left with nothing that they could do or wait for
 * @param underWay how many were still on their way when time was over
 * @param allDone how many of those who did not finish had done all that is asked of them
 * @param finishing how long those who finished took
 * @param finishedByWeek how many had finished by the end of each week, from the first on
 * @param modules in course order
 * @param steps in course order
 */
public record CrowdResult(
    int learners,
    int finished,
    int stopped,
    int noWayOn,
    int underWay,
    int allDone,
    Optional<Days> finishing,
    List<Integer> finishedByWeek,
    List<OfModule> modules,
    List<OfStep> steps,
    List<OfBadge> badges) {
  public CrowdResult {
    finishedByWeek = List.copyOf(finishedByWeek);
    modules = List.copyOf(modules);
    steps = List.copyOf(steps);
    badges = List.copyOf(badges);
  }

  /**
   * How long something took.
   *
   * @param half of them took so many days at most
   * @param most nine of ten took so many at most
   */
  public record Days(double half, double most) {}

  /**
   * @param begun for how many a step of it was open
   * @param took from the first of its steps being open to the module being done
   */
  public record OfModule(ModuleId module, int begun, int done, Optional<Days> took) {}

  /**
   * @param opened for how many it was open
   * @param stand how many were at it at last, without having finished
   * @param noWayOn how many of those had no way on
   * @param took from being open to being done
   */
  public record OfStep(
      StepId step, int opened, int done, int stand, int noWayOn, Optional<Days> took) {}

  /**
   * @param after how many days after the start of the course
   */
  public record OfBadge(BadgeId badge, int earned, Optional<Days> after) {}
}
