package yendrik.core.check;

import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.RandomDistribution;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.Workshop;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Choices;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Rules;
import yendrik.core.rule.words.Wording;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenLeaf;

/**
 * A design so small that all that a learner can do in it can be tried: three quizzes in two
 * modules, a badge and a completion. Quizzes may be tried as often as one likes, and what only
 * holds until one does better (not passed) is asked for alone or beside other ways, so that one
 * learner can reach one thing after the other.
 */
public record SmallDesign(CourseDesign design) {
  private static final int STEPS = 3;

  public static Arbitrary<SmallDesign> designs() {
    return Arbitraries.integers()
        .between(0, 99)
        .withDistribution(RandomDistribution.uniform())
        .list()
        .ofMinSize(10)
        .ofMaxSize(120)
        .map(numbers -> new SmallDesign(new Making(new Choices(numbers)).design()));
  }

  @Override
  public String toString() {
    var wording = new Wording(design, Workshop.ENGLISH);
    return design.order()
        + Rules.of(design).entrySet().stream()
            .filter(rule -> !(rule.getKey() instanceof RuleAt.FlagRaised))
            .map(rule -> rule.getKey() + ": " + wording.line(rule.getValue(), rule.getKey()))
            .collect(Collectors.joining("\n", "\n", "\n"))
        + design.modules().stream()
            .map(m ->
                "module "
                    + m.id()
                    + (m.strictOrder() ? " in strict order " : " ")
                    + m.steps().stream()
                        .map(s ->
                            s.id()
                                + (s.published() ? "" : " unpublished")
                                + (s.required() ? "" : " extra")
                                + (s.audience().everyone() ? "" : " for Saturday"))
                        .toList())
            .toList();
  }

  private record Making(Choices c) {
    CourseDesign design() {
      List<CourseModule> modules = new ArrayList<>();
      CourseDesign.Order order = c.rarely(8) ? CourseDesign.Order.STRICT : CourseDesign.Order.FREE;
      int first = 2 + c.next(STEPS - 1);
      modules.add(module(1, order, 1, first));
      modules.add(module(2, order, first, STEPS + 1));
      List<Badge> badges =
          List.of(
              new Badge(BRAKE_HAND, "Badge", "", Optional.empty(), Optional.of(rule(2, 0)), false));
      CourseDesign usual = Workshop.design(modules, badges);
      return Sounder.of(
          CourseDesignBuilder.builder(usual)
              .order(order)
              .flags(List.of())
              .groups(Map.of(SATURDAY, "Saturday"))
              .completeWhen(c.rarely(2) ? Optional.of(rule(2, 0)) : Optional.empty())
              .build());
    }

    private CourseModule module(int m, CourseDesign.Order order, int from, int to) {
      boolean strict = c.rarely(5);
      Optional<Condition> opens = c.rarely(3) ? Optional.of(rule(1, 0)) : Optional.empty();
      // several things have to be so at once before a step opens that stands behind others
      boolean alone = opens.isEmpty() && !strict && order == CourseDesign.Order.FREE;
      return new CourseModule(
          new ModuleId(m),
          "Module " + m,
          true,
          strict,
          opens,
          c.rarely(4) ? Optional.of(rule(1, 0)) : Optional.empty(),
          Step.Gate.USUAL,
          IntStream.range(from, to).mapToObj(n -> step(n, alone)).toList());
    }

    private Step step(int n, boolean alone) {
      StepId id = new StepId(n);
      Condition done =
          switch (c.next(4)) {
            case 0, 1 -> ask(new SeenLeaf.Seen(id));
            case 2 -> ask(new MarkLeaf.Passed(id));
            default -> all(ask(new SeenLeaf.Seen(id)), rule(1, n));
          };
      Step step = scored(Workshop.step(id, "Step " + n, StepKind.QUIZ, done), 10, 0.6, 0, BRAKE);
      if (c.next(3) > 0) step = opens(step, rule(2, n, alone));
      if (c.rarely(8)) step = unpublished(step);
      if (c.rarely(6)) step = onlyFor(step, SATURDAY);
      return c.rarely(5) ? extra(step) : step;
    }

    private Condition rule(int depth, int of) {
      return rule(depth, of, /* alone= */ true);
    }

    private Condition rule(int depth, int of, boolean alone) {
      if (depth == 0 || c.next(2) == 0) return ask(leaf(alone, of));
      if (c.rarely(8)) return after(1, rule(depth - 1, of, /* alone= */ false));
      Condition[] parts =
          IntStream.rangeClosed(0, 1 + c.next(2))
              .mapToObj(_ ->
                  c.rarely(4)
                      ? rule(depth - 1, of, /* alone= */ false)
                      : ask(leaf(/* alone= */ false, of)))
              .toArray(Condition[]::new);
      return switch (c.next(4)) {
        case 0, 1 -> all(parts);
        case 2 -> any(parts);
        default -> atLeast(1 + c.next(parts.length), parts);
      };
    }

    private Leaf leaf(boolean alone, int of) {
      StepId s = new StepId(1 + c.next(STEPS));
      return switch (c.next(15)) {
        case 0, 1, 2, 3 -> new Leaf.StepDone(s);
        case 4 -> new MarkLeaf.Passed(s);
        case 5 -> alone ? new MarkLeaf.NotPassed(s) : new AttemptLeaf.Attempted(s, 2);
        case 6 -> new MarkLeaf.Score(s, 0.8, 1);
        case 7 -> new Leaf.ModuleDone(new ModuleId(1 + c.next(2)));
        case 8 -> new Leaf.ModuleCount(new ModuleId(1 + c.next(2)), 1 + c.next(2));
        case 9 -> new Leaf.HoldsBadge(new BadgeId(1));
        case 10 -> new Leaf.AtMastery(c.rarely(3) ? SAFE : BRAKE);
        case 11 -> new Leaf.CourseComplete(COURSE);
        case 12 -> new Leaf.InGroup(SATURDAY);
        case 13 -> new Leaf.EnrolledFor(1 + c.next(2));
        default ->
            new Leaf.InTime(
                Optional.of(START.plus(Duration.ofDays(1 + c.next(2)))), Optional.empty());
      };
    }
  }

  /** The groups that a learner can be in: none, or Saturday. */
  public static List<Set<GroupId>> whose() {
    return List.of(Set.of(), Set.of(SATURDAY));
  }
}
