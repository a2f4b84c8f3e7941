package yendrik.core.rule.plan;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yendrik.core.people.StaffKind;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Verdict;

/** Whose approval is all that a rule still waits for. */
public final class ApprovalsWanted {
  private ApprovalsWanted() {}

  /**
   * The kinds of staff whose approval is still asked for; none while something else is missing too,
   * and none once the rule is met.
   *
   * @param rule as it stands for one learner
   */
  public static Set<StaffKind> of(Explained rule) {
    boolean waits = rule.verdict() == Verdict.NOT_YET || rule.verdict() == Verdict.OUT_OF_REACH;
    if (!waits || !holdsOnceApproved(rule)) return Set.of();
    Set<StaffKind> wanted = EnumSet.noneOf(StaffKind.class);
    collect(rule, wanted);
    return Collections.unmodifiableSet(wanted);
  }

  private static boolean holdsOnceApproved(Explained rule) {
    List<Explained> parts =
        rule.parts().stream().filter(p -> p.verdict() != Verdict.WAIVED).toList();
    return switch (rule.condition()) {
      case Condition.Ask(var _, Leaf.Approved _) -> true;
      case Condition.Ask _, Condition.None _ -> rule.verdict() == Verdict.MET;
      case Condition.After _ ->
          rule.verdict() == Verdict.MET
              || (parts.stream().noneMatch(p -> p.verdict() == Verdict.MET)
                  && parts.stream().allMatch(ApprovalsWanted::holdsOnceApproved));
      case Condition.All _ -> parts.stream().allMatch(ApprovalsWanted::holdsOnceApproved);
      case Condition.Any _ -> parts.stream().anyMatch(ApprovalsWanted::holdsOnceApproved);
      case Condition.AtLeast some ->
          parts.stream().filter(ApprovalsWanted::holdsOnceApproved).count()
              >= Math.min(some.n(), parts.size());
    };
  }

  /** Only where an approval brings something about: not beside what is missing all the same. */
  private static void collect(Explained rule, Set<StaffKind> wanted) {
    if (rule.verdict() == Verdict.MET || !holdsOnceApproved(rule)) return;
    if (rule.condition() instanceof Condition.Ask(var _, Leaf.Approved approval))
      wanted.add(approval.by());
    rule.parts().forEach(part -> collect(part, wanted));
  }
}
