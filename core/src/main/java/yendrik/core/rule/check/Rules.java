package yendrik.core.rule.check;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.course.Validity;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;

/** All rules of a design with their places, in course order. */
public final class Rules {
  private Rules() {}

  public static Map<RuleAt, Condition> of(CourseDesign design) {
    Map<RuleAt, Condition> rules = new LinkedHashMap<>();
    for (CourseModule module : design.modules()) {
      module.opensWhen().ifPresent(r -> rules.put(new RuleAt.ModuleOpens(module.id()), r));
      for (Step step : module.steps()) {
        step.opensWhen().ifPresent(r -> rules.put(new RuleAt.StepOpens(step.id()), r));
        rules.put(new RuleAt.StepDone(step.id()), step.doneWhen());
      }
      module.doneWhen().ifPresent(r -> rules.put(new RuleAt.ModuleDone(module.id()), r));
    }
    for (Badge badge : design.badges())
      badge.earnedWhen().ifPresent(r -> rules.put(new RuleAt.BadgeEarned(badge.id()), r));
    for (Badge badge : design.badges())
      badge
          .validity()
          .renewal()
          .flatMap(Validity.Renewal::when)
          .ifPresent(r -> rules.put(new RuleAt.BadgeRenewed(badge.id()), r));
    design.completeWhen().ifPresent(r -> rules.put(new RuleAt.CourseComplete(), r));
    for (Flag flag : design.flags()) rules.put(new RuleAt.FlagRaised(flag.id()), flag.flagWhen());
    return rules;
  }

  /** Whether a design has what has the rule at a place, be there a rule or not. */
  public static boolean has(CourseDesign design, RuleAt at) {
    return switch (at) {
      case RuleAt.StepOpens r -> design.step(r.step()).isPresent();
      case RuleAt.StepDone r -> design.step(r.step()).isPresent();
      case RuleAt.ModuleOpens r -> design.module(r.module()).isPresent();
      case RuleAt.ModuleDone r -> design.module(r.module()).isPresent();
      case RuleAt.BadgeEarned r -> design.badges().stream().anyMatch(b -> b.id().equals(r.badge()));
      case RuleAt.BadgeRenewed r -> design.badge(r.badge()).isPresent();
      case RuleAt.FlagRaised r -> design.flags().stream().anyMatch(f -> f.id().equals(r.flag()));
      case RuleAt.CourseComplete _ -> true;
      case RuleAt.OutcomeMade r ->
          design.outcomes().stream().anyMatch(o -> o.id().equals(r.outcome()));
    };
  }

  /** What a module without a rule of its own asks: every required step that is published. */
  public static Condition usualModuleDone(CourseModule module) {
    List<Condition> parts =
        module.steps().stream()
            .filter(s -> s.required() && s.published())
            .map(s ->
                (Condition) new Condition.Ask(node("step-" + s.id()), new Leaf.StepDone(s.id())))
            .toList();
    return new Condition.All(node("every-step"), parts);
  }

  /** What a course without a rule of its own asks: every published module is done. */
  public static Condition usualCourseComplete(CourseDesign design) {
    Stream<CourseModule> modules = design.modules().stream().filter(CourseModule::published);
    return new Condition.All(
        node("every-module"),
        modules
            .map(m ->
                (Condition)
                    new Condition.Ask(node("module-" + m.id()), new Leaf.ModuleDone(m.id())))
            .toList());
  }

  private static NodeId node(String id) {
    return new NodeId(id);
  }
}
