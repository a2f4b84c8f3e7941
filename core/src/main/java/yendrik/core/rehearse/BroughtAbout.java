package yendrik.core.rehearse;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.id.StepId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.Leaf;

/**
 * What would have to happen to a learner so that something is so, worked out without touching their
 * way.
 *
 * @param cannot why it cannot be brought about; what would have happened until then is left out
 * @param events in the order in which they happen
 */
public record BroughtAbout(Optional<Cannot> cannot, List<Event> events) {
  /** One thing that happens, or time that passes. */
  public sealed interface Event {
    record Happens(Fact.What what) implements Event {}

    record Until(Instant moment) implements Event {}
  }

  public BroughtAbout {
    events = List.copyOf(events);
  }

  /** That a question is answered with yes. */
  public static BroughtAbout so(Progress now, Leaf leaf) {
    var stage = new Stage(now.copy());
    return of(stage, new AsIf(stage, /* opening= */ true).come(leaf));
  }

  /** That a step is open. */
  public static BroughtAbout open(Progress now, StepId step) {
    var stage = new Stage(now.copy());
    return of(stage, new AsIf(stage, /* opening= */ true).open(step));
  }

  private static BroughtAbout of(Stage stage, Optional<Cannot> cannot) {
    return new BroughtAbout(cannot, cannot.isPresent() ? List.of() : stage.events());
  }
}
