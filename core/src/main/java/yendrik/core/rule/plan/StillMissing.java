package yendrik.core.rule.plan;

import java.util.function.ToIntFunction;
import java.util.stream.IntStream;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Verdict;

/** How little would be enough for a rule to be met. */
public final class StillMissing {
  private StillMissing() {}

  /**
   * The fewest things that are missing: of <em>all of</em> everything that is not met, of <em>any
   * of</em> what is nearest, of <em>at least n of</em> the nearest n. What is waived counts for
   * nothing, and <em>none of</em> for one while something is so that must not be; days that have to
   * go by are one thing.
   *
   * @param rule as it stands for one learner
   * @param each how many things a question stands for that is not met, 1 or more
   * @return 0 or more; 0 where it is met or waived
   */
  public static int of(Explained rule, ToIntFunction<Leaf> each) {
    if (rule.verdict() == Verdict.MET || rule.verdict() == Verdict.WAIVED) return 0;
    IntStream parts =
        rule.parts().stream()
            .filter(p -> p.verdict() != Verdict.WAIVED)
            .mapToInt(p -> of(p, each))
            .sorted();
    return switch (rule.condition()) {
      case Condition.Ask ask -> each.applyAsInt(ask.leaf());
      case Condition.All _ -> parts.sum();
      case Condition.Any _ -> parts.limit(1).sum();
      case Condition.AtLeast some -> parts.limit(some.n()).sum();
      case Condition.After _ -> Math.max(1, parts.sum());
      case Condition.None _ -> 1;
    };
  }
}
