package yendrik.core.rule.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.CourseId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Fault;
import yendrik.core.rule.check.References;
import yendrik.core.rule.check.Rules;

/**
 * A design made ready for evaluating: rules planned, names numbered, and who depends on whom worked
 * out. Immutable; one serves all learners and threads.
 *
 * <p>{@link #dependents} says which units (see {@link UnitNumbers}) to look at again after a
 * change, and {@link #order} in which order, so that each is looked at once, and only those of a
 * circle again until nothing changes.
 */
public final class CompiledCourse {
  private final CourseIndex index;
  private final UnitNumbers units;
  private final @Nullable PlannedRule[] opens;
  private final @Nullable PlannedRule[] holds;
  private final PlannedRule[] flags;
  private final Set<CourseId> otherCourses;
  private final List<FirstMet> firsts;
  private final int largestRule;
  private final int[][] dependents;
  private final int[] order;
  private final Set<Class<? extends Leaf>> completionAsks;
  private final int[] circleEnd;
  private final int[] rank;

  /**
   * @throws FaultyDesign if a rule names something that is not there
   */
  public static CompiledCourse of(CourseDesign design) {
    List<Fault> faults = References.check(design);
    if (!faults.isEmpty()) throw new FaultyDesign(faults);
    return new CompiledCourse(design);
  }

  private CompiledCourse(CourseDesign design) {
    index = new CourseIndex(design);
    var plan = new Planning(new Leaves(index), new ArrayList<>());
    units = new UnitNumbers(index);
    opens = new PlannedRule[units.all()];
    holds = new PlannedRule[units.all()];
    for (int s = 0; s < index.steps(); s++) {
      Step step = index.step(s);
      opens[units.step(s)] = plan.rule(new RuleAt.StepOpens(step.id()), step.opensWhen());
      holds[units.step(s)] =
          plan.rule(new RuleAt.StepDone(step.id()), Optional.of(step.doneWhen()));
    }
    for (int m = 0; m < index.modules(); m++) {
      CourseModule module = index.module(m);
      opens[units.door(m)] = plan.rule(new RuleAt.ModuleOpens(module.id()), module.opensWhen());
      holds[units.module(m)] =
          plan.rule(
              new RuleAt.ModuleDone(module.id()),
              module.doneWhen().or(() -> Optional.of(Rules.usualModuleDone(module))));
    }
    for (int b = 0; b < index.badges(); b++)
      holds[units.badge(b)] =
          plan.rule(new RuleAt.BadgeEarned(index.badge(b).id()), index.badge(b).earnedWhen());
    holds[units.course()] =
        plan.rule(
            new RuleAt.CourseComplete(),
            design.completeWhen().or(() -> Optional.of(Rules.usualCourseComplete(design))));
    completionAsks =
        design.completeWhen().stream()
            .flatMap(Condition::nodes)
            .flatMap(n ->
                n instanceof Condition.Ask(var _, Leaf leaf)
                    ? Stream.of(leaf.getClass())
                    : Stream.empty())
            .collect(Collectors.toUnmodifiableSet());
    flags =
        design.flags().stream()
            .map(f -> plan.rule(new RuleAt.FlagRaised(f.id()), f.flagWhen()))
            .toArray(PlannedRule[]::new);
    firsts = List.copyOf(plan.firsts);
    largestRule = rules().stream().mapToInt(PlannedRule::size).max().orElse(1);
    otherCourses =
        Rules.of(design).values().stream()
            .flatMap(Condition::nodes)
            .flatMap(n ->
                n instanceof Condition.Ask(var _, Leaf.CourseComplete c)
                    ? Stream.of(c.course())
                    : Stream.empty())
            .filter(c -> !c.equals(design.id()))
            .collect(Collectors.toUnmodifiableSet());
    Reads reads = Reads.of(index, units, this::opens, this::holds);
    dependents = reads.dependents();
    Order found = Order.of(units.all(), dependents, reads.readsItself());
    order = found.units();
    circleEnd = found.circleEnds();
    rank = new int[units.all()];
    for (int r = 0; r < order.length; r++) rank[order[r]] = r;
  }

  private record Planning(Leaves leaves, List<FirstMet> firsts) {
    PlannedRule rule(RuleAt at, Condition rule) {
      return new PlannedRule(at, rule, leaves, firsts);
    }

    @Nullable PlannedRule rule(RuleAt at, Optional<Condition> rule) {
      return rule.map(r -> rule(at, r)).orElse(null);
    }
  }

  private List<PlannedRule> rules() {
    List<PlannedRule> all = new ArrayList<>(List.of(flags));
    for (PlannedRule rule : opens) if (rule != null) all.add(rule);
    for (PlannedRule rule : holds) if (rule != null) all.add(rule);
    return all;
  }

  public CourseIndex index() {
    return index;
  }

  public CourseDesign design() {
    return index.design();
  }

  /** Whether the rule by which the course is complete asks such a question. */
  public boolean completionAsks(Class<? extends Leaf> leaf) {
    return completionAsks.contains(leaf);
  }

  /** The other courses whose completion a rule asks about. */
  public Set<CourseId> otherCourses() {
    return otherCourses;
  }

  /** A working space large enough for any rule of this course. */
  public Desk desk() {
    return new Desk(largestRule);
  }

  /** The units of the course by number. */
  public UnitNumbers units() {
    return units;
  }

  /** The rule that opens a unit, empty where it is open by itself. */
  public Optional<PlannedRule> opens(int unit) {
    return Optional.ofNullable(opens[unit]);
  }

  /** The rule by which a unit is done, earned or complete; empty where only people say so. */
  public Optional<PlannedRule> holds(int unit) {
    return Optional.ofNullable(holds[unit]);
  }

  /** The parts of rules of which the first time that they were met is kept, by number. */
  public List<FirstMet> firsts() {
    return firsts;
  }

  public int flags() {
    return flags.length;
  }

  public PlannedRule flag(int flag) {
    return flags[flag];
  }

  /** The rule at a place, empty where none was set. */
  public Optional<PlannedRule> rule(RuleAt at) {
    return switch (at) {
      case RuleAt.OutcomeMade _, RuleAt.BadgeRenewed _ -> Optional.empty();
      case RuleAt.StepOpens r -> known(index.number(r.step())).flatMap(s -> opens(units.step(s)));
      case RuleAt.StepDone r -> known(index.number(r.step())).flatMap(s -> holds(units.step(s)));
      case RuleAt.ModuleOpens r ->
          known(index.number(r.module())).flatMap(m -> opens(units.door(m)));
      case RuleAt.ModuleDone r ->
          known(index.number(r.module())).flatMap(m -> holds(units.module(m)));
      case RuleAt.BadgeEarned r ->
          known(index.number(r.badge())).flatMap(b -> holds(units.badge(b)));
      case RuleAt.CourseComplete _ -> holds(units.course());
      case RuleAt.FlagRaised r -> {
        for (int f = 0; f < flags.length; f++)
          if (design().flags().get(f).id().equals(r.flag())) yield Optional.of(flags[f]);
        yield Optional.empty();
      }
    };
  }

  private static Optional<Integer> known(int number) {
    return number == CourseIndex.UNKNOWN ? Optional.empty() : Optional.of(number);
  }

  /** The units that read a subject (a unit, an outcome, the person or the facts of a step). */
  public int[] dependents(int subject) {
    return dependents[subject];
  }

  /** All units, each after those it reads, those of a circle beside each other; flags last. */
  public int[] order() {
    return order;
  }

  /**
   * The last place in {@link #order} of the circle that a place belongs to, -1 outside of circles.
   */
  public int circleEnd(int place) {
    return circleEnd[place];
  }

  /** The place of a unit in {@link #order}. */
  public int rank(int unit) {
    return rank[unit];
  }

  /** How many conditions the course has in all. */
  public int conditions() {
    return rules().stream().mapToInt(PlannedRule::size).sum();
  }

  /** The required steps before a step that a strict order makes it wait for. */
  public boolean waitsFor(int step, int before) {
    return before < step && index.expected(before);
  }
}
