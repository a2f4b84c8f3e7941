package yendrik.core.rule.plan;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.CourseId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Finding;
import yendrik.core.rule.check.References;
import yendrik.core.rule.check.Rules;

/**
 * A design made ready for evaluating: rules planned, names numbered, and who depends on whom worked
 * out. Immutable; one serves all learners and threads.
 *
 * <p>Things that are worked out for a learner are <em>units</em>: each step, the opening of each
 * module and its being done, each badge, the course, and all flags together. A unit reads facts and
 * other units; {@link #dependents} says which units to look at again after a change, and {@link
 * #order} in which order, so that each is looked at once, and only those of a circle again until
 * nothing changes.
 */
public final class CompiledCourse {
  private final CourseIndex index;
  private final Optional<PlannedRule>[] stepOpens;
  private final PlannedRule[] stepDone;
  private final Optional<PlannedRule>[] moduleOpens;
  private final PlannedRule[] moduleDone;
  private final Optional<PlannedRule>[] badgeEarned;
  private final PlannedRule courseComplete;
  private final PlannedRule[] flags;
  private final Set<CourseId> otherCourses;
  private final int largestRule;
  private final int[][] dependents;
  private final int[] order;
  private final int[] circleEnd;
  private final int[] rank;

  /**
   * @throws FaultyDesign if a rule names something that is not there
   */
  public static CompiledCourse of(CourseDesign design) {
    List<Finding> findings = References.check(design);
    if (!findings.isEmpty()) throw new FaultyDesign(findings);
    return new CompiledCourse(design);
  }

  @SuppressWarnings("unchecked") // arrays of a generic type cannot be made otherwise
  private CompiledCourse(CourseDesign design) {
    index = new CourseIndex(design);
    var leaves = new Leaves(index);
    stepOpens = new Optional[index.steps()];
    stepDone = new PlannedRule[index.steps()];
    for (int s = 0; s < index.steps(); s++) {
      stepOpens[s] = plan(index.step(s).opensWhen(), leaves);
      stepDone[s] = new PlannedRule(index.step(s).doneWhen(), leaves);
    }
    moduleOpens = new Optional[index.modules()];
    moduleDone = new PlannedRule[index.modules()];
    for (int m = 0; m < index.modules(); m++) {
      CourseModule module = index.module(m);
      moduleOpens[m] = plan(module.opensWhen(), leaves);
      moduleDone[m] =
          new PlannedRule(module.doneWhen().orElseGet(() -> Rules.usualModuleDone(module)), leaves);
    }
    badgeEarned = new Optional[index.badges()];
    for (int b = 0; b < index.badges(); b++)
      badgeEarned[b] = plan(index.badge(b).earnedWhen(), leaves);
    courseComplete =
        new PlannedRule(
            design.completeWhen().orElseGet(() -> Rules.usualCourseComplete(design)), leaves);
    flags =
        design.flags().stream()
            .map(f -> new PlannedRule(f.flagWhen(), leaves))
            .toArray(PlannedRule[]::new);
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
    boolean[] readsItself = new boolean[units()];
    BitSet[] reading = reading(readsItself);
    dependents = new int[subjects()][];
    for (int s = 0; s < dependents.length; s++) dependents[s] = reading[s].stream().toArray();
    Order found = Order.of(units(), dependents, readsItself);
    order = found.units();
    circleEnd = found.circleEnds();
    rank = new int[units()];
    for (int r = 0; r < order.length; r++) rank[order[r]] = r;
  }

  private static Optional<PlannedRule> plan(Optional<Condition> rule, Leaves leaves) {
    return rule.map(r -> new PlannedRule(r, leaves));
  }

  private List<PlannedRule> rules() {
    List<PlannedRule> all = new ArrayList<>(List.of(stepDone));
    for (var rule : stepOpens) rule.ifPresent(all::add);
    for (var rule : moduleOpens) rule.ifPresent(all::add);
    all.addAll(List.of(moduleDone));
    for (var rule : badgeEarned) rule.ifPresent(all::add);
    all.add(courseComplete);
    all.addAll(List.of(flags));
    return all;
  }

  /** For each subject the units that read it. */
  private BitSet[] reading(boolean[] readsItself) {
    BitSet[] readers = new BitSet[subjects()];
    for (int i = 0; i < readers.length; i++) readers[i] = new BitSet(units());
    for (int s = 0; s < index.steps(); s++) {
      var subjects = new Readers(readers, s, readsItself);
      stepOpens[s].ifPresent(subjects::all);
      // whether it is done rests on its own opening, which is worked out before
      new Readers(readers, s, new boolean[units()]).all(stepDone[s]);
      int m = index.moduleOf(s);
      subjects.read(moduleOpensUnit(m));
      if (!index.step(s).audience().everyone()) subjects.person();
      if (index.module(m).strictOrder())
        for (int before = index.firstStep(m); before < s; before++) subjects.step(before);
    }
    for (int m = 0; m < index.modules(); m++) {
      var opening = new Readers(readers, moduleOpensUnit(m), readsItself);
      moduleOpens[m].ifPresent(opening::all);
      var done = new Readers(readers, moduleUnit(m), readsItself);
      done.all(moduleDone[m]);
      for (int s = index.firstStep(m); s < index.firstStep(m + 1); s++)
        if (!index.step(s).audience().everyone()) done.person();
    }
    for (int b = 0; b < index.badges(); b++) {
      var subjects = new Readers(readers, badgeUnit(b), readsItself);
      badgeEarned[b].ifPresent(subjects::all);
    }
    new Readers(readers, courseUnit(), readsItself).all(courseComplete);
    for (int s = 0; s < readers.length; s++) if (s != flagsUnit()) readers[s].set(flagsUnit());
    return readers;
  }

  private final class Readers implements Subjects {
    private final BitSet[] readers;
    private final int unit;
    private final boolean[] readsItself;

    Readers(BitSet[] readers, int unit, boolean[] readsItself) {
      this.readers = readers;
      this.unit = unit;
      this.readsItself = readsItself;
    }

    void all(PlannedRule rule) {
      rule.readsFrom(this);
    }

    void read(int subject) {
      if (subject == unit) readsItself[unit] = true;
      else readers[subject].set(unit);
    }

    @Override
    public void step(int step) {
      read(step);
      if (!index.step(step).audience().everyone()) person();
    }

    @Override
    public void factsOf(int step) {
      readers[factsSubject(step)].set(unit);
      if (!index.step(step).audience().everyone()) person();
    }

    @Override
    public void module(int module) {
      read(moduleUnit(module));
    }

    @Override
    public void outcome(int outcome) {
      read(outcomeSubject(outcome));
    }

    @Override
    public void badge(int badge) {
      read(badgeUnit(badge));
    }

    @Override
    public void course() {
      read(courseUnit());
    }

    @Override
    public void person() {
      read(personSubject());
    }
  }

  public CourseIndex index() {
    return index;
  }

  public CourseDesign design() {
    return index.design();
  }

  /** The other courses whose completion a rule asks about. */
  public Set<CourseId> otherCourses() {
    return otherCourses;
  }

  /** A working space large enough for any rule of this course. */
  public Desk desk() {
    return new Desk(largestRule);
  }

  public Optional<PlannedRule> stepOpens(int step) {
    return stepOpens[step];
  }

  public PlannedRule stepDone(int step) {
    return stepDone[step];
  }

  public Optional<PlannedRule> moduleOpens(int module) {
    return moduleOpens[module];
  }

  public PlannedRule moduleDone(int module) {
    return moduleDone[module];
  }

  public Optional<PlannedRule> badgeEarned(int badge) {
    return badgeEarned[badge];
  }

  public PlannedRule courseComplete() {
    return courseComplete;
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
      case RuleAt.OutcomeMade _ -> Optional.empty();
      case RuleAt.StepOpens r -> known(index.number(r.step())).flatMap(s -> stepOpens[s]);
      case RuleAt.StepDone r -> known(index.number(r.step())).map(s -> stepDone[s]);
      case RuleAt.ModuleOpens r -> known(index.number(r.module())).flatMap(m -> moduleOpens[m]);
      case RuleAt.ModuleDone r -> known(index.number(r.module())).map(m -> moduleDone[m]);
      case RuleAt.BadgeEarned r -> known(index.number(r.badge())).flatMap(b -> badgeEarned[b]);
      case RuleAt.CourseComplete _ -> Optional.of(courseComplete);
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

  public int units() {
    return flagsUnit() + 1;
  }

  /** Whether a module is open. */
  public int moduleOpensUnit(int module) {
    return index.steps() + module;
  }

  /** Whether a module is done. */
  public int moduleUnit(int module) {
    return index.steps() + index.modules() + module;
  }

  public int badgeUnit(int badge) {
    return index.steps() + 2 * index.modules() + badge;
  }

  public int courseUnit() {
    return index.steps() + 2 * index.modules() + index.badges();
  }

  public int flagsUnit() {
    return courseUnit() + 1;
  }

  public int outcomeSubject(int outcome) {
    return units() + outcome;
  }

  public int personSubject() {
    return units() + index.outcomes();
  }

  /** The facts about a step, without what is worked out for it. */
  public int factsSubject(int step) {
    return personSubject() + 1 + step;
  }

  private int subjects() {
    return factsSubject(index.steps());
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
    Step earlier = index.step(before);
    return earlier.required() && earlier.published();
  }
}
