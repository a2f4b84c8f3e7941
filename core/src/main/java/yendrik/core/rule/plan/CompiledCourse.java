package yendrik.core.rule.plan;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.rule.Condition;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Finding;
import yendrik.core.rule.check.References;
import yendrik.core.rule.check.Rules;

/**
 * A design made ready for evaluating: rules planned, names numbered, and who depends on whom worked
 * out. Immutable; one serves all learners and threads.
 *
 * <p>Things that are worked out for a learner are <em>units</em>: each step, module and badge, the
 * course, and all flags together. A unit reads facts and other units; {@link #dependents} says
 * which units to look at again after a change, and {@link #order} in which order, so that on a
 * design without circles each is looked at once.
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
  private final int largestRule;
  private final int[][] dependents;
  private final int[] order;
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
    BitSet[] reading = reading();
    dependents = new int[subjects()][];
    for (int s = 0; s < dependents.length; s++) dependents[s] = reading[s].stream().toArray();
    order = Order.of(units(), dependents);
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
  private BitSet[] reading() {
    BitSet[] readers = new BitSet[subjects()];
    for (int i = 0; i < readers.length; i++) readers[i] = new BitSet(units());
    for (int s = 0; s < index.steps(); s++) {
      int unit = s;
      var subjects = new Readers(readers, unit);
      stepOpens[s].ifPresent(r -> r.readsFrom(subjects));
      stepDone[s].readsFrom(subjects);
      int m = index.moduleOf(s);
      subjects.module(m);
      if (!index.step(s).audience().everyone()) subjects.person();
      if (index.module(m).strictOrder())
        for (int before = index.firstStep(m); before < s; before++) subjects.step(before);
    }
    for (int m = 0; m < index.modules(); m++) {
      var subjects = new Readers(readers, moduleUnit(m));
      moduleOpens[m].ifPresent(r -> r.readsFrom(subjects));
      moduleDone[m].readsFrom(subjects);
    }
    for (int b = 0; b < index.badges(); b++) {
      var subjects = new Readers(readers, badgeUnit(b));
      badgeEarned[b].ifPresent(r -> r.readsFrom(subjects));
    }
    courseComplete.readsFrom(new Readers(readers, courseUnit()));
    for (int s = 0; s < readers.length; s++) if (s != flagsUnit()) readers[s].set(flagsUnit());
    return readers;
  }

  private final class Readers implements Subjects {
    private final BitSet[] readers;
    private final int unit;

    Readers(BitSet[] readers, int unit) {
      this.readers = readers;
      this.unit = unit;
    }

    private void read(int subject) {
      if (subject != unit) readers[subject].set(unit);
    }

    @Override
    public void step(int step) {
      read(step);
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

    @Override
    public void everything() {}
  }

  public CourseIndex index() {
    return index;
  }

  public CourseDesign design() {
    return index.design();
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

  public int moduleUnit(int module) {
    return index.steps() + module;
  }

  public int badgeUnit(int badge) {
    return index.steps() + index.modules() + badge;
  }

  public int courseUnit() {
    return index.steps() + index.modules() + index.badges();
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

  private int subjects() {
    return personSubject() + 1;
  }

  /** The units that read a subject (a unit, an outcome or the person). */
  public int[] dependents(int subject) {
    return dependents[subject];
  }

  /** All units, each after those it reads wherever there is no circle; flags come last. */
  public int[] order() {
    return order;
  }

  /** The place of a unit in {@link #order}. */
  public int rank(int unit) {
    return rank[unit];
  }

  /** How many conditions the course has in all. */
  public int conditions() {
    return rules().stream().mapToInt(PlannedRule::size).sum();
  }

  /** Every place with a rule, and the rule as it is evaluated, the usual ones included. */
  public Map<RuleAt, Condition> rulesInForce() {
    Map<RuleAt, Condition> rules = Rules.of(design());
    for (CourseModule module : design().modules())
      rules.putIfAbsent(new RuleAt.ModuleDone(module.id()), Rules.usualModuleDone(module));
    rules.putIfAbsent(new RuleAt.CourseComplete(), Rules.usualCourseComplete(design()));
    return rules;
  }

  /** The required steps before a step that a strict order makes it wait for. */
  public boolean waitsFor(int step, int before) {
    Step earlier = index.step(before);
    return earlier.required() && earlier.published();
  }
}
