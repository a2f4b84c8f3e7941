package yendrik.core.course;

import java.util.List;
import java.util.Optional;
import yendrik.core.id.ModuleId;
import yendrik.core.rule.Condition;

/**
 * Steps that belong together, in order.
 *
 * @param doneWhen empty for the usual: every required step is done
 * @param strictOrder whether each step waits for the required steps before it
 */
public record CourseModule(
    ModuleId id,
    String name,
    boolean published,
    boolean strictOrder,
    Optional<Condition> opensWhen,
    Optional<Condition> doneWhen,
    Step.Gate gate,
    List<Step> steps) {
  public CourseModule {
    steps = List.copyOf(steps);
  }
}
