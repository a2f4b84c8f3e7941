package yendrik.core.rule.check;

import java.util.List;
import java.util.Map;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.GroupId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;

/**
 * Where a design speaks of a group. While it does, the group cannot go: a step that was given to it
 * alone would be for everybody or for nobody.
 *
 * @param steps that are given to the group, in course order
 * @param allowing steps that allow it more than others, in course order
 * @param rules that ask whether somebody is in it, in course order
 */
public record GroupUses(List<Step> steps, List<Step> allowing, List<RuleAt> rules) {
  public GroupUses {
    steps = List.copyOf(steps);
    allowing = List.copyOf(allowing);
    rules = List.copyOf(rules);
  }

  public static GroupUses of(CourseDesign design, GroupId group) {
    return new GroupUses(
        design.steps().filter(s -> s.audience().groups().contains(group)).toList(),
        design.steps().filter(s -> allows(s, group)).toList(),
        Rules.of(design).entrySet().stream()
            .filter(rule -> asks(rule.getValue(), group))
            .map(Map.Entry::getKey)
            .toList());
  }

  private static boolean allows(Step step, GroupId group) {
    return step.allowances().stream().anyMatch(a -> a.group().equals(group));
  }

  private static boolean asks(Condition rule, GroupId group) {
    return rule.nodes()
        .anyMatch(node ->
            node instanceof Condition.Ask ask
                && ask.leaf() instanceof Leaf.InGroup in
                && in.group().equals(group));
  }
}
