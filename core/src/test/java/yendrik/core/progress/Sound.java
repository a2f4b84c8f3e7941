package yendrik.core.progress;

import static yendrik.core.Workshop.START;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;

/**
 * Makes a random design one that can be compiled: what names a step that is not there, or the very
 * thing that it decides, asks whether it is after the beginning instead.
 */
final class Sound {
  private static final Leaf ALWAYS = new Leaf.InTime(Optional.of(START), Optional.empty());
  private final Set<StepId> there;

  private Sound(CourseDesign design) {
    there = design.steps().map(Step::id).collect(Collectors.toSet());
  }

  static CourseDesign of(CourseDesign d) {
    var sound = new Sound(d);
    return new CourseDesign(
        d.id(),
        d.version(),
        d.name(),
        d.zone(),
        d.startsAt(),
        d.outcomes(),
        d.modules().stream().map(sound::module).toList(),
        d.badges().stream().map(sound::badge).toList(),
        d.flags().stream()
            .map(f ->
                new Flag(f.id(), f.name(), sound.rule(new RuleAt.FlagRaised(f.id()), f.flagWhen())))
            .toList(),
        d.completeWhen().map(r -> sound.rule(new RuleAt.CourseComplete(), r)),
        d.groups(),
        d.otherCourses());
  }

  private CourseModule module(CourseModule m) {
    return new CourseModule(
        m.id(),
        m.name(),
        m.published(),
        m.strictOrder(),
        m.opensWhen().map(r -> rule(new RuleAt.ModuleOpens(m.id()), r)),
        m.doneWhen().map(r -> rule(new RuleAt.ModuleDone(m.id()), r)),
        m.gate(),
        m.steps().stream().map(this::step).toList());
  }

  private Step step(Step s) {
    return new Step(
        s.id(),
        s.name(),
        s.kind(),
        s.required(),
        s.published(),
        s.opensWhen().map(r -> rule(new RuleAt.StepOpens(s.id()), r)),
        rule(new RuleAt.StepDone(s.id()), s.doneWhen()),
        s.gate(),
        s.window(),
        s.scoring(),
        s.evidenceFor(),
        s.audience());
  }

  private Badge badge(Badge b) {
    return new Badge(
        b.id(),
        b.name(),
        b.description(),
        b.module(),
        b.earnedWhen().map(r -> rule(new RuleAt.BadgeEarned(b.id()), r)),
        b.surprise());
  }

  private Condition rule(RuleAt at, Condition rule) {
    List<Condition> parts = rule.parts().stream().map(p -> rule(at, p)).toList();
    return switch (rule) {
      case Condition.Ask ask -> new Condition.Ask(ask.id(), leaf(at, ask.leaf()));
      case Condition.All all -> new Condition.All(all.id(), parts);
      case Condition.Any any -> new Condition.Any(any.id(), parts);
      case Condition.AtLeast some -> new Condition.AtLeast(some.id(), some.n(), parts);
      case Condition.None none -> new Condition.None(none.id(), parts);
    };
  }

  private Leaf leaf(RuleAt at, Leaf leaf) {
    boolean itself =
        switch (leaf) {
          case Leaf.StepDone l -> at.equals(new RuleAt.StepDone(l.step()));
          case Leaf.DaysSinceDone l -> at.equals(new RuleAt.StepDone(l.step()));
          case Leaf.ModuleDone l -> at.equals(new RuleAt.ModuleDone(l.module()));
          case Leaf.HoldsBadge l -> at.equals(new RuleAt.BadgeEarned(l.badge()));
          case Leaf.CourseComplete _ -> at instanceof RuleAt.CourseComplete;
          default -> false;
        };
    boolean gone = leaf instanceof Leaf.OfStep of && !there.contains(of.step());
    return itself || gone ? ALWAYS : leaf;
  }
}
