package yendrik.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.commons.jexl3.JexlBuilder;
import org.apache.commons.jexl3.JexlContext;
import org.apache.commons.jexl3.JexlEngine;
import org.apache.commons.jexl3.JexlExpression;
import org.apache.commons.jexl3.MapContext;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.check.Rules;
import yendrik.core.strand.marks.MarkLeaf;

/** The rules of a course as expressions of a general language, parsed once. */
final class RulesAsExpressions {
  private final JexlEngine engine = new JexlBuilder().cache(4096).strict(false).create();
  private final List<Module> modules = new ArrayList<>();
  private final List<JexlExpression> badges = new ArrayList<>();
  private final JexlExpression complete;
  private final boolean[] done = new boolean[LargeCourse.STEPS + 1];
  private final double[] score = new double[LargeCourse.STEPS + 1];
  private final double[] share;
  private final boolean[] finished;
  private final JexlContext context = new MapContext();

  private record Module(
      int number, Optional<JexlExpression> opens, JexlExpression finished, List<StepRules> steps) {}

  private record StepRules(int number, Optional<JexlExpression> opens, JexlExpression done) {}

  RulesAsExpressions(CourseDesign design) {
    share = new double[design.modules().size() + 1];
    finished = new boolean[design.modules().size() + 1];
    context.set("done", done);
    context.set("score", score);
    context.set("share", share);
    context.set("finished", finished);
    for (CourseModule module : design.modules()) {
      List<StepRules> steps = new ArrayList<>();
      for (Step step : module.steps())
        steps.add(
            new StepRules(
                Math.toIntExact(step.id().value()),
                step.opensWhen().map(this::expression),
                expression(step.doneWhen())));
      modules.add(
          new Module(
              Math.toIntExact(module.id().value()),
              module.opensWhen().map(this::expression),
              expression(Rules.usualModuleDone(module)),
              steps));
    }
    for (Badge badge : design.badges())
      badge.earnedWhen().map(this::expression).ifPresent(badges::add);
    complete = expression(Rules.usualCourseComplete(design));
  }

  private JexlExpression expression(Condition rule) {
    return engine.createExpression(text(rule));
  }

  private static String text(Condition rule) {
    return switch (rule) {
      case Condition.Ask(var _, Leaf.StepDone leaf) -> "done[" + leaf.step().value() + "]";
      case Condition.Ask(var _, Leaf.ModuleDone leaf) -> "finished[" + leaf.module().value() + "]";
      case Condition.Ask(var _, Leaf.ModuleShare leaf) ->
          "share[" + leaf.module().value() + "] >= " + (leaf.share() - 1e-9);
      case Condition.Ask(var _, MarkLeaf.Score leaf) -> {
        String of = "score[" + leaf.step().value() + "]";
        yield "(" + of + " >= " + (leaf.from() - 1e-9) + " && " + of + " <= " + leaf.to() + ")";
      }
      case Condition.All all -> joined(all, " && ");
      case Condition.Any any -> joined(any, " || ");
      default -> throw new IllegalArgumentException("not in the large course: " + rule);
    };
  }

  private static String joined(Condition joint, String by) {
    return joint.parts().stream()
        .map(RulesAsExpressions::text)
        .collect(Collectors.joining(by, "(", ")"));
  }

  /**
   * Works one learner out.
   *
   * @param shares the score of each step, negative for none
   * @return how many steps are done
   */
  int evaluate(double[] shares) {
    Arrays.fill(done, false);
    System.arraycopy(shares, 0, score, 1, shares.length);
    int all = 0;
    for (Module module : modules) {
      boolean open = module.opens().map(this::holds).orElse(true);
      int of = 0;
      for (StepRules step : module.steps()) {
        boolean opened = step.opens().map(this::holds).orElse(true) && open;
        done[step.number()] = holds(step.done()) && opened;
        if (done[step.number()]) of++;
      }
      share[module.number()] = (double) of / module.steps().size();
      finished[module.number()] = holds(module.finished());
      all += of;
    }
    badges.forEach(this::holds);
    holds(complete);
    return all;
  }

  private boolean holds(JexlExpression rule) {
    return Boolean.TRUE.equals(rule.evaluate(context));
  }
}
