package yendrik.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.CourseId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Fault;
import yendrik.core.rule.check.References;

/**
 * Reads a design, without any learners, and lists what would trouble those who learn by it: what
 * nobody can reach, and why; conditions that no fact can meet; who can never complete; dead ends.
 *
 * <p>The method is a least fixed point from an ideal learner, for each group and for several kinds
 * of learners ({@link Reach}). What stays unreached is traced to what is wrong by itself or goes in
 * a circle ({@link Waits}), so that one mistake is one finding, with all that it holds up. A mend
 * is offered only if checking what it makes shows that the finding is gone and nothing new has
 * come.
 */
public final class Check {
  /** So many mends are tried; each is a check of its own. */
  private static final int MOST_TRIED = 12;

  private Check() {}

  /** All findings, the worst first and in course order, each with mends where some are clear. */
  public static List<Finding> of(CourseDesign design, Around around) {
    List<Finding> found = found(design, around, /* deadEnds= */ true);
    Set<String> keys = keys(found);
    List<Finding> all = new ArrayList<>();
    int tried = 0;
    for (Finding finding : found) {
      List<Mend> mends = new ArrayList<>();
      for (Mend mend : finding.mends())
        if (safe(mend) || (tried++ < MOST_TRIED && mends(mend, finding, design, around, keys)))
          mends.add(mend);
      all.add(finding.with(mends));
    }
    return List.copyOf(all);
  }

  /** What only allows more removes its finding and can bring up nothing. */
  private static boolean safe(Mend mend) {
    return mend instanceof Mend.AnyAttempts || mend instanceof Mend.NoDueDate;
  }

  private static boolean mends(
      Mend mend, Finding finding, CourseDesign design, Around around, Set<String> keys) {
    boolean more = mend instanceof Mend.PublishStep || mend instanceof Mend.PublishModule;
    List<Finding> after = found(mend.in(design), around, /* deadEnds= */ more);
    return after.stream()
        .allMatch(
            f -> !f.key().equals(finding.key()) && (keys.contains(f.key()) || hid(finding, f)));
  }

  /**
   * Whether a finding hid another one, which therefore is not new once it is mended: nobody came so
   * far.
   */
  static boolean hid(Finding finding, Finding other) {
    return switch (other.code()) {
      case DEAD_END, GROUP_CANNOT_COMPLETE ->
          finding.place() instanceof RuleAt.CourseComplete
              || finding.holdsUp().contains(new RuleAt.CourseComplete());
      default -> finding.place().equals(other.place()) || finding.holdsUp().contains(other.place());
    };
  }

  private static Set<String> keys(List<Finding> found) {
    return found.stream().map(Finding::key).collect(Collectors.toSet());
  }

  /** Whether nobody can complete a design before another course is complete. */
  public static boolean waitsFor(CourseDesign design, CourseId other) {
    if (!References.check(design).isEmpty()) return false;
    var around = new Around(Optional.empty(), Set.of(), Set.of(other));
    return !new Looking(design, around).completes()
        && new Looking(design, Around.NOTHING).completes();
  }

  /** The findings with mends that were not tried yet. */
  private static List<Finding> found(CourseDesign design, Around around, boolean deadEnds) {
    List<Fault> faults = References.check(design);
    if (faults.isEmpty()) return new Looking(design, around).look(deadEnds);
    List<Finding> found = new ArrayList<>();
    CourseDesign sound = design;
    for (Fault fault : faults) {
      Optional<Mend> mend = fault.node().flatMap(node -> Mending.out(design, fault.place(), node));
      if (mend.isPresent()) {
        Optional<Mend> again = Mending.out(sound, fault.place(), fault.node().orElseThrow());
        if (again.isPresent()) sound = again.get().in(sound);
      }
      found.add(
          new Finding(
              Finding.Code.FAULT,
              Finding.Weight.FAULT,
              fault.place(),
              fault.node(),
              Map.of("fault", fault),
              List.of(),
              List.of(),
              List.of(),
              mend.stream().toList()));
    }
    if (References.check(sound).isEmpty()) found.addAll(new Looking(sound, around).look(deadEnds));
    return found;
  }
}
