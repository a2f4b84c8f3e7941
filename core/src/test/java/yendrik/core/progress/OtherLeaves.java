package yendrik.core.progress;

import java.util.List;
import java.util.function.BiFunction;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.CourseModuleBuilder;
import yendrik.core.StepBuilder;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;

/** The same design with another question in the place of some. */
final class OtherLeaves {
  private final BiFunction<RuleAt, Leaf, Leaf> change;

  private OtherLeaves(BiFunction<RuleAt, Leaf, Leaf> change) {
    this.change = change;
  }

  static CourseDesign in(CourseDesign d, BiFunction<RuleAt, Leaf, Leaf> change) {
    var other = new OtherLeaves(change);
    return CourseDesignBuilder.builder(d)
        .modules(d.modules().stream().map(other::module).toList())
        .badges(d.badges().stream().map(other::badge).toList())
        .flags(
            d.flags().stream()
                .map(f ->
                    new Flag(
                        f.id(), f.name(), other.rule(new RuleAt.FlagRaised(f.id()), f.flagWhen())))
                .toList())
        .completeWhen(d.completeWhen().map(r -> other.rule(new RuleAt.CourseComplete(), r)))
        .build();
  }

  private CourseModule module(CourseModule m) {
    return CourseModuleBuilder.builder(m)
        .opensWhen(m.opensWhen().map(r -> rule(new RuleAt.ModuleOpens(m.id()), r)))
        .doneWhen(m.doneWhen().map(r -> rule(new RuleAt.ModuleDone(m.id()), r)))
        .steps(m.steps().stream().map(this::step).toList())
        .build();
  }

  private Step step(Step s) {
    return StepBuilder.builder(s)
        .opensWhen(s.opensWhen().map(r -> rule(new RuleAt.StepOpens(s.id()), r)))
        .doneWhen(rule(new RuleAt.StepDone(s.id()), s.doneWhen()))
        .build();
  }

  private Badge badge(Badge b) {
    return new Badge(
        b.id(),
        b.name(),
        b.description(),
        b.module(),
        b.earnedWhen().map(r -> rule(new RuleAt.BadgeEarned(b.id()), r)),
        b.surprise(),
        b.validity());
  }

  private Condition rule(RuleAt at, Condition rule) {
    List<Condition> parts = rule.parts().stream().map(p -> rule(at, p)).toList();
    return switch (rule) {
      case Condition.Ask ask -> new Condition.Ask(ask.id(), change.apply(at, ask.leaf()));
      case Condition.All all -> new Condition.All(all.id(), parts);
      case Condition.Any any -> new Condition.Any(any.id(), parts);
      case Condition.AtLeast some -> new Condition.AtLeast(some.id(), some.n(), parts);
      case Condition.After after -> new Condition.After(after.id(), after.days(), parts.getFirst());
      case Condition.None none -> new Condition.None(none.id(), parts);
    };
  }
}
