package yendrik.core.rule.plan;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Verdict;

/** What would have to come for a rule to be met: the shortest list of questions that would do. */
public final class WhatIsLeft {
  private WhatIsLeft() {}

  /**
   * The questions that are left: of <em>all of</em> every one, of <em>any of</em> the way with the
   * fewest, of <em>at least n of</em> the n such ways; what is past hope comes last, since staff
   * would have to act first. Where nothing but days have to go by, or something is so that must not
   * be, the joint itself stands there.
   *
   * @param rule as it stands for one learner
   * @return empty where it is met or does not concern them
   */
  public static List<Explained> of(Explained rule) {
    if (settled(rule)) return List.of();
    return switch (rule.condition()) {
      case Condition.Ask _, Condition.None _ -> List.of(rule);
      case Condition.After _ -> {
        List<Explained> first = of(rule.parts().getFirst());
        yield first.isEmpty() ? List.of(rule) : first;
      }
      case Condition.All _ -> nearest(rule, Integer.MAX_VALUE);
      case Condition.Any _ -> nearest(rule, 1);
      case Condition.AtLeast some -> {
        long met = rule.parts().stream().filter(p -> p.verdict() == Verdict.MET).count();
        yield nearest(rule, some.n() - met);
      }
    };
  }

  private static boolean settled(Explained rule) {
    return rule.verdict() == Verdict.MET || rule.verdict() == Verdict.WAIVED;
  }

  private record Way(boolean lost, List<Explained> left) {}

  private static List<Explained> nearest(Explained joint, long ways) {
    Stream<Way> all =
        joint.parts().stream()
            .filter(p -> !settled(p))
            .map(p -> new Way(p.verdict() == Verdict.OUT_OF_REACH, of(p)));
    if (ways < joint.parts().size())
      all = all.sorted(Comparator.comparing(Way::lost).thenComparing(w -> w.left().size()));
    return all.limit(Math.max(0, ways)).flatMap(w -> w.left().stream()).toList();
  }
}
