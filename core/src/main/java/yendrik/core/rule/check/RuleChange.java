package yendrik.core.rule.check;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import yendrik.core.course.CourseDesign;
import yendrik.core.rule.Condition;
import yendrik.core.rule.RuleAt;

/**
 * A rule that two designs of a course have otherwise, or that only one of them has.
 *
 * @param before empty where the earlier design has no rule there
 * @param after empty where the later one has none
 */
public record RuleChange(RuleAt at, Optional<Condition> before, Optional<Condition> after) {

  /** All of them, in the order of the later design, and then those that are gone from it. */
  public static List<RuleChange> between(CourseDesign earlier, CourseDesign later) {
    Map<RuleAt, Condition> before = Rules.of(earlier);
    Map<RuleAt, Condition> after = Rules.of(later);
    Set<RuleAt> places = new LinkedHashSet<>(after.keySet());
    places.addAll(before.keySet());
    List<RuleChange> changes = new ArrayList<>();
    for (RuleAt at : places) {
      Optional<Condition> was = Optional.ofNullable(before.get(at));
      Optional<Condition> is = Optional.ofNullable(after.get(at));
      if (!same(was, is)) changes.add(new RuleChange(at, was, is));
    }
    return changes;
  }

  /** Whether two rules say the same, whatever their parts are numbered. */
  public static boolean same(Optional<Condition> one, Optional<Condition> other) {
    if (one.isEmpty() || other.isEmpty()) return one.isEmpty() && other.isEmpty();
    return same(one.get(), other.get());
  }

  private static boolean same(Condition one, Condition other) {
    if (one instanceof Condition.Ask(var _, var asked)
        && other instanceof Condition.Ask(var _, var too)) return asked.equals(too);
    return one.getClass().equals(other.getClass())
        && one.number() == other.number()
        && one.parts().size() == other.parts().size()
        && IntStream.range(0, one.parts().size())
            .allMatch(n -> same(one.parts().get(n), other.parts().get(n)));
  }
}
