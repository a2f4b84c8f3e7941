package yendrik.core.progress;

import static yendrik.core.Workshop.START;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
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
    return OtherLeaves.in(d, new Sound(d)::leaf);
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
