package yendrik.core.course;

import java.lang.ref.WeakReference;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import yendrik.core.id.BadgeId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;

/**
 * Dense numbers for what a design names, so that facts and verdicts live in flat arrays. Numbers
 * run from 0 in course order and hold for one version of the design only.
 */
public final class CourseIndex {
  /** What the numbering methods answer for an id that the design does not have. */
  public static final int UNKNOWN = -1;

  /** Before every moment: what has no beginning. */
  public static final long ALWAYS = Long.MIN_VALUE;

  /** After every moment: what has no end. */
  public static final long NEVER = Long.MAX_VALUE;

  private final CourseDesign design;
  private final Step[] steps;
  private final int[] moduleOfStep;
  private final long[] opensAt;
  private final long[] dueAt;
  private final long[] closesAt;
  private final long[] takesUntil;
  private final boolean[] published;
  private final boolean[] expected;
  private final boolean[] everyones;
  private final boolean[] allows;
  private final int[] firstStepOfModule;
  private final int[][] sources;
  private final int[][] composedOf;
  private final Map<StepId, Integer> stepNumbers = new HashMap<>();
  private final Map<ModuleId, Integer> moduleNumbers = new HashMap<>();
  private final Map<OutcomeId, Integer> outcomeNumbers = new HashMap<>();
  private final Map<BadgeId, Integer> badgeNumbers = new HashMap<>();

  /** With what was compared last: many learners come from the same design. */
  private record Compared(WeakReference<CourseIndex> with, boolean alike) {}

  private volatile @Nullable Compared compared;

  public CourseIndex(CourseDesign design) {
    this.design = design;
    steps = design.steps().toArray(Step[]::new);
    moduleOfStep = new int[steps.length];
    opensAt = moments(s -> s.window().from(), ALWAYS);
    dueAt = moments(s -> s.window().due(), ALWAYS);
    closesAt = moments(s -> s.window().until(), NEVER);
    takesUntil = moments(s -> s.window().late(), NEVER);
    published = new boolean[steps.length];
    expected = new boolean[steps.length];
    everyones = new boolean[steps.length];
    allows = new boolean[steps.length];
    firstStepOfModule = new int[design.modules().size() + 1];
    int next = 0;
    for (int m = 0; m < design.modules().size(); m++) {
      moduleNumbers.put(design.modules().get(m).id(), m);
      firstStepOfModule[m] = next;
      for (Step step : design.modules().get(m).steps()) {
        stepNumbers.put(step.id(), next);
        published[next] = step.published() && design.modules().get(m).published();
        expected[next] = published[next] && step.required();
        everyones[next] = step.audience().everyone();
        allows[next] = !step.allowances().isEmpty();
        moduleOfStep[next++] = m;
      }
    }
    firstStepOfModule[design.modules().size()] = next;
    for (int o = 0; o < design.outcomes().size(); o++)
      outcomeNumbers.put(design.outcomes().get(o).id(), o);
    for (int b = 0; b < design.badges().size(); b++)
      badgeNumbers.put(design.badges().get(b).id(), b);
    int outcomes = design.outcomes().size();
    sources = new int[outcomes][];
    List<List<Integer>> above = new ArrayList<>();
    for (int o = 0; o < outcomes; o++) above.add(new ArrayList<>());
    Set<Integer> inOrder = new LinkedHashSet<>();
    for (int o = 0; o < outcomes; o++) partsFirst(o, new HashSet<>(), inOrder);
    for (int o : inOrder) {
      Set<Integer> found = new LinkedHashSet<>();
      sources(o, new HashSet<>(), found);
      sources[o] = found.stream().mapToInt(Integer::intValue).toArray();
      if (outcome(o).madeOf().isPresent()) for (int source : found) above.get(source).add(o);
    }
    composedOf = above.stream().map(CourseIndex::array).toArray(int[][]::new);
  }

  private static int[] array(List<Integer> numbers) {
    return numbers.stream().mapToInt(Integer::intValue).toArray();
  }

  /** Every outcome after the parts that it is made of; circles are cut, since they are faults. */
  private void partsFirst(int o, Set<Integer> begun, Set<Integer> inOrder) {
    if (!begun.add(o)) return;
    for (int part : parts(o)) partsFirst(part, begun, inOrder);
    inOrder.add(o);
  }

  private void sources(int o, Set<Integer> begun, Set<Integer> found) {
    if (!begun.add(o)) return;
    if (outcome(o).madeOf().isEmpty()) found.add(o);
    else for (int part : parts(o)) sources(part, begun, found);
  }

  /**
   * The first of the steps that a strict order of the course or of its module puts before a step;
   * the step itself where there is none.
   */
  public int orderFrom(int step) {
    int module = moduleOfStep[step];
    if (design.order() == CourseDesign.Order.STRICT) return 0;
    return module(module).strictOrder() ? firstStep(module) : step;
  }

  /** Whether a step is published, and its module is. */
  public boolean published(int step) {
    return published[step];
  }

  /** Whether a step is published and required. */
  public boolean expected(int step) {
    return expected[step];
  }

  /** Whether a step is for every learner. */
  public boolean everyones(int step) {
    return everyones[step];
  }

  /** Whether anything about a step hangs on who somebody is, or in which groups. */
  public boolean hangsOnPerson(int step) {
    return !everyones[step] || allows[step];
  }

  /** Whether a step allows some groups more than others. */
  public boolean allows(int step) {
    return allows[step];
  }

  /** The outcomes that an outcome is made of, by number; those that are gone are left out. */
  public int[] parts(int outcome) {
    return outcome(outcome).madeOf().stream()
        .flatMap(c -> c.parts().stream())
        .mapToInt(this::number)
        .filter(n -> n != UNKNOWN)
        .toArray();
  }

  /** The outcomes whose evidence an outcome rests on: itself, or what it is made of in the end. */
  public int[] sources(int outcome) {
    return sources[outcome];
  }

  /** The outcomes that rest on the evidence of one, parts before what is made of them. */
  public int[] madeFrom(int outcome) {
    return composedOf[outcome];
  }

  private long[] moments(Function<Step, Optional<Instant>> of, long otherwise) {
    long[] all = new long[steps.length];
    for (int s = 0; s < steps.length; s++)
      all[s] = of.apply(steps[s]).map(Instant::toEpochMilli).orElse(otherwise);
    return all;
  }

  /** When the step's window begins, in epoch milliseconds; {@link #ALWAYS} without a beginning. */
  public long opensAt(int step) {
    return opensAt[step];
  }

  /** When the step is due, in epoch milliseconds; {@link #ALWAYS} without a due date. */
  public long dueAt(int step) {
    return dueAt[step];
  }

  /** When the step's window ends, in epoch milliseconds; {@link #NEVER} without an end. */
  public long closesAt(int step) {
    return closesAt[step];
  }

  /**
   * Until when something may be done at the step while it can be used, in epoch milliseconds;
   * {@link #NEVER} without an end.
   */
  public long takesUntil(int step) {
    return takesUntil[step];
  }

  /**
   * Whether facts add up to the same under this design as under an earlier one, so that what was
   * summed there can be gone on with: the same steps, scored alike and evidence of the same, the
   * same outcomes, and no badge that the earlier one did not have. Rules, names, dates, order and
   * for whom a step is may differ.
   */
  public boolean sumsLike(CourseIndex earlier) {
    Compared last = compared;
    if (last == null || !last.with.refersTo(earlier)) {
      last = new Compared(new WeakReference<>(earlier), like(earlier));
      compared = last;
    }
    return last.alike;
  }

  private boolean like(CourseIndex earlier) {
    if (steps() != earlier.steps() || !design.zone().equals(earlier.design.zone())) return false;
    for (int s = 0; s < steps(); s++) {
      int old = earlier.number(step(s).id());
      if (old == UNKNOWN || !like(step(s), earlier.step(old))) return false;
    }
    for (int b = 0; b < badges(); b++) if (earlier.number(badge(b).id()) == UNKNOWN) return false;
    return Set.copyOf(design.outcomes()).equals(Set.copyOf(earlier.design.outcomes()));
  }

  private static boolean like(Step step, Step earlier) {
    return step.kind() == earlier.kind()
        && step.scoring().equals(earlier.scoring())
        && step.evidenceFor().equals(earlier.evidenceFor());
  }

  public CourseDesign design() {
    return design;
  }

  public int steps() {
    return steps.length;
  }

  public int modules() {
    return design.modules().size();
  }

  public int outcomes() {
    return design.outcomes().size();
  }

  public int badges() {
    return design.badges().size();
  }

  public Step step(int number) {
    return steps[number];
  }

  public CourseModule module(int number) {
    return design.modules().get(number);
  }

  public Outcome outcome(int number) {
    return design.outcomes().get(number);
  }

  public Badge badge(int number) {
    return design.badges().get(number);
  }

  public int moduleOf(int step) {
    return moduleOfStep[step];
  }

  /** The first step of a module; its last is the one before the first of the next. */
  public int firstStep(int module) {
    return firstStepOfModule[module];
  }

  public int number(StepId id) {
    return stepNumbers.getOrDefault(id, UNKNOWN);
  }

  public int number(ModuleId id) {
    return moduleNumbers.getOrDefault(id, UNKNOWN);
  }

  public int number(OutcomeId id) {
    return outcomeNumbers.getOrDefault(id, UNKNOWN);
  }

  public int number(BadgeId id) {
    return badgeNumbers.getOrDefault(id, UNKNOWN);
  }
}
