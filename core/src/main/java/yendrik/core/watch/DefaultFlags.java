package yendrik.core.watch;

import java.util.List;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;

/** The flags that a new course begins with; all of them can be changed. */
public final class DefaultFlags {
  private DefaultFlags() {}

  /** A flag before it has an id. */
  public record Proposed(String name, Condition flagWhen) {}

  public static List<Proposed> all() {
    return List.of(
        new Proposed("Not started", ask("never-started", new Leaf.NeverStarted(3))),
        new Proposed("Quiet", ask("quiet", new Leaf.QuietFor(7))),
        new Proposed(
            "Behind",
            any(ask("overdue", new Leaf.Overdue(2)), ask("behind", new Leaf.BehindBy(7)))),
        new Proposed(
            "Stuck",
            any(ask("stuck", new Leaf.StuckFor(6)), ask("lost", new Leaf.RequiredOutOfReach()))),
        new Proposed("Absent", ask("absent", new Leaf.AttendanceUnder(0.75))));
  }

  private static Condition ask(String id, Leaf leaf) {
    return new Condition.Ask(new NodeId(id), leaf);
  }

  private static Condition any(Condition... parts) {
    return new Condition.Any(new NodeId("any"), List.of(parts));
  }
}
