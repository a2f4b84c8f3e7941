package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FactId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.core.outcome.Outcome;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.plan.CompiledCourse;

/**
 * Random designs and random facts: the compiled rules agree with simple ones, and with themselves.
 */
class RandomCoursesTest {
  private static final int STEPS = 7;
  static final OutcomeId WHOLE = new OutcomeId(3);
  private static final Duration LONG = Duration.ofDays(30);

  private static Leaf leaf(Random r, int before) {
    StepId step = new StepId(1 + r.nextInt(before));
    return switch (r.nextInt(16)) {
      case 0 -> new Leaf.Seen(step);
      case 1, 2 -> new Leaf.StepDone(step);
      case 3 -> new Leaf.Score(step, 0.5, 1);
      case 4 -> new Leaf.Score(step, 0.2, 0.7);
      case 5 -> new Leaf.NotPassed(step);
      case 6 -> new Leaf.DaysSinceDone(step, 1 + r.nextInt(5));
      case 7 -> new Leaf.EnrolledFor(1 + r.nextInt(12));
      case 8 -> new Leaf.SignedOff(step);
      case 9 -> new Leaf.AtMastery(outcome(r));
      case 10 -> new Leaf.LevelAtLeast(outcome(r), 1 + r.nextInt(3));
      case 11 -> new Leaf.LevelBelow(outcome(r), 1 + r.nextInt(3));
      case 12 -> new Leaf.EvidenceCount(outcome(r), 1 + r.nextInt(3), r.nextInt(3));
      case 13 -> new Leaf.Watched(step, (1 + r.nextInt(10)) / 10.0);
      case 14 -> attendance(r);
      default -> inTime(r);
    };
  }

  private static Leaf attendance(Random r) {
    return r.nextBoolean()
        ? new Leaf.AttendanceRate((1 + r.nextInt(4)) / 4.0)
        : new Leaf.SessionsAttended(1 + r.nextInt(3));
  }

  private static Fact.What film(Random r, StepId step) {
    int of = r.nextInt(8) == 0 ? 30 : 20;
    int from = r.nextInt(of);
    return new Fact.Watched(step, from, from + 1 + r.nextInt(of - from), of);
  }

  private static Fact.What mark(Random r) {
    var presence = Fact.Presence.values()[r.nextInt(4)];
    return new Fact.Attendance(new SessionId(1 + r.nextInt(4)), presence);
  }

  private static OutcomeId outcome(Random r) {
    return List.of(BRAKE, SAFE, WHOLE).get(r.nextInt(3));
  }

  private static Leaf inTime(Random r) {
    Instant from = START.plus(Duration.ofHours(r.nextInt(300)));
    Instant until = from.plus(Duration.ofHours(1 + r.nextInt(300)));
    return switch (r.nextInt(3)) {
      case 0 -> new Leaf.InTime(Optional.of(from), Optional.empty());
      case 1 -> new Leaf.InTime(Optional.empty(), Optional.of(until));
      default -> new Leaf.InTime(Optional.of(from), Optional.of(until));
    };
  }

  private static Condition rule(Random r, int before, int depth) {
    if (depth == 0 || r.nextInt(3) == 0) return ask(leaf(r, before));
    Condition[] parts =
        IntStream.rangeClosed(0, r.nextInt(3))
            .mapToObj(_ -> rule(r, before, depth - 1))
            .toArray(Condition[]::new);
    return switch (r.nextInt(4)) {
      case 0 -> all(parts);
      case 1 -> any(parts);
      case 2 -> atLeast(1 + r.nextInt(parts.length), parts);
      default -> none(parts);
    };
  }

  /** Steps ask only about earlier ones, so that there are no circles. */
  static CourseDesign design(Random r) {
    List<Step> steps = new ArrayList<>();
    for (int n = 1; n <= STEPS; n++) {
      StepId id = new StepId(n);
      Leaf done =
          r.nextInt(3) == 0
              ? new Leaf.Seen(id)
              : r.nextBoolean() ? new Leaf.SignedOff(id) : new Leaf.Score(id, 0.5, 1);
      Step step =
          scored(
              step(id, "Step " + n, StepKind.QUIZ, ask(done)),
              10,
              0.5,
              r.nextInt(3),
              r.nextBoolean() ? BRAKE : SAFE);
      if (n > 1 && r.nextInt(3) > 0) step = opens(step, rule(r, n - 1, 2));
      if (r.nextInt(5) == 0)
        step =
            window(
                step,
                START.plus(Duration.ofHours(r.nextInt(200))),
                null,
                START.plus(Duration.ofHours(200 + r.nextInt(300))));
      steps.add(step);
    }
    var first = module(1, Optional.empty(), steps.subList(0, 3));
    var second = module(2, Optional.of(rule(r, 3, 2)), steps.subList(3, 5));
    var third =
        module(
            3,
            Optional.of(ask(new Leaf.ModuleDone(new ModuleId(1 + r.nextInt(2))))),
            steps.subList(5, STEPS));
    var badge =
        new Badge(
            new BadgeId(1), "Badge", "", Optional.empty(), Optional.of(rule(r, STEPS, 2)), false);
    return withWhole(yendrik.core.Workshop.design(List.of(first, second, third), List.of(badge)));
  }

  /** With an outcome made of the two others. */
  private static CourseDesign withWhole(CourseDesign d) {
    List<Outcome> outcomes = new ArrayList<>(d.outcomes());
    outcomes.add(
        new Outcome(
            WHOLE,
            "WHOLE",
            "Whole",
            "",
            SCALE,
            LevelRule.of(new LevelMethod.Best()),
            Optional.of(new Composition(List.of(BRAKE, SAFE), new Composition.All()))));
    return new CourseDesign(
        d.id(),
        d.version(),
        d.name(),
        d.zone(),
        d.startsAt(),
        outcomes,
        d.modules(),
        d.badges(),
        d.flags(),
        d.completeWhen(),
        d.groups(),
        d.otherCourses());
  }

  private static CourseModule module(int id, Optional<Condition> opens, List<Step> steps) {
    return new CourseModule(
        new ModuleId(id),
        "Module " + id,
        true,
        false,
        opens,
        Optional.empty(),
        Step.Gate.USUAL,
        steps);
  }

  static List<Fact> facts(Random r, int n) {
    List<Fact> facts = new ArrayList<>();
    Instant at = START;
    facts.add(new Fact(new FactId(1), at, Optional.empty(), new Fact.Enrolled(), Optional.empty()));
    for (int i = 2; i <= n; i++) {
      at = at.plus(Duration.ofMinutes(r.nextInt(1500)));
      StepId step = new StepId(1 + r.nextInt(STEPS));
      Fact.What what =
          switch (r.nextInt(13)) {
            case 0, 1 -> new Fact.Saw(step);
            case 2, 3, 4 -> new Fact.FinishedAttempt(step, i, r.nextInt(11), 10);
            case 5 -> new Fact.SignedOff(step, "");
            case 6 -> r.nextInt(4) == 0 ? new Fact.Excused(step, "") : new Fact.WasHere();
            case 7, 8 ->
                new Fact.Rated(r.nextBoolean() ? BRAKE : SAFE, r.nextInt(4), Optional.empty(), 0);
            case 9 ->
                new Fact.Rated(
                    r.nextBoolean() ? BRAKE : SAFE, r.nextInt(4), Optional.of(step), r.nextInt(2));
            case 10 -> film(r, step);
            case 11 -> mark(r);
            default -> new Fact.AttemptsAdded(step, 1);
          };
      facts.add(new Fact(new FactId(i), at, Optional.of(TOMAS), what, Optional.empty()));
    }
    return facts;
  }

  private static Progress live(CompiledCourse course, List<Fact> facts) {
    Progress progress = Progress.begin(course, JUNO, START);
    facts.forEach(progress::take);
    progress.advance(facts.getLast().at().plus(LONG));
    return progress;
  }

  @Property(tries = 2000)
  void the_compiled_rules_agree_with_the_simple_ones(@ForAll long seed) {
    Random r = new Random(seed);
    CourseDesign design = design(r);
    List<Fact> facts = facts(r, 2 + r.nextInt(40));
    Progress progress = live(CompiledCourse.of(design), facts);
    SimpleWorld simple = new SimpleWorld(design);
    simple.live(facts, facts.getLast().at().plus(LONG));

    Latches latches = progress.latches();
    assertThat(latches.stepOpened()).isEqualTo(millis(simple.opened));
    assertThat(latches.stepDone()).isEqualTo(millis(simple.done));
    assertThat(latches.moduleOpened()).isEqualTo(millis(simple.moduleOpened));
    assertThat(latches.moduleDone()).isEqualTo(millis(simple.moduleDone));
    assertThat(latches.earned()).isEqualTo(millis(simple.earned));
    for (int s = 0; s < STEPS; s++) {
      Step step = progress.course().index().step(s);
      assertThat(progress.sight().open(s)).as("open " + step.name()).isEqualTo(simple.open(step));
      assertThat(progress.sight().outOfReach(s))
          .as("lost " + step.name())
          .isEqualTo(simple.lost(step.id()));
    }
  }

  private static <I extends Comparable<I>> java.util.Map<I, Long> millis(
      java.util.Map<I, Instant> map) {
    var all = new java.util.TreeMap<I, Long>();
    map.forEach((id, at) -> all.put(id, at.toEpochMilli()));
    return all;
  }

  @Property(tries = 1000)
  void it_does_not_matter_when_anybody_looked_or_stored(@ForAll long seed) {
    Random r = new Random(seed);
    CompiledCourse course = CompiledCourse.of(design(r));
    List<Fact> facts = facts(r, 2 + r.nextInt(30));
    Progress straight = live(course, facts);
    Progress watched = Progress.begin(course, JUNO, START);
    List<Fact> taken = new ArrayList<>();
    for (Fact fact : facts) {
      if (r.nextBoolean())
        watched.advance(
            watched
                .asOf()
                .plusMillis(
                    (long)
                        (r.nextDouble() * Duration.between(watched.asOf(), fact.at()).toMillis())));
      if (r.nextInt(3) == 0) watched = Progress.resume(course, JUNO, taken, watched.latches());
      watched.take(fact);
      taken.add(fact);
    }
    watched.advance(facts.getLast().at().plus(LONG));
    assertThat(watched.latches()).isEqualTo(straight.latches());
    assertThat(watched.thread()).isEqualTo(straight.thread());
  }

  @Property(tries = 500)
  void replaying_gives_the_stored_state_also_over_changes_of_the_design(@ForAll long seed) {
    Random r = new Random(seed);
    CompiledCourse first = CompiledCourse.of(design(r));
    CompiledCourse second = CompiledCourse.of(design(r));
    List<Fact> facts = facts(r, 4 + r.nextInt(30));
    int at = 1 + r.nextInt(facts.size() - 1);
    // What is published at the very moment of enrolment is in force before it: nobody lived under
    // the first design then.
    Instant change = facts.get(at).at();
    if (!change.isAfter(START)) change = START.plusMillis(1);
    Instant changed = change;
    Progress lived = Progress.begin(first, JUNO, START);
    for (Fact fact : facts.subList(0, at)) if (fact.at().isBefore(change)) lived.take(fact);
    List<Fact> before = facts.stream().filter(f -> f.at().isBefore(changed)).toList();
    lived = lived.under(second, before, change);
    for (Fact fact : facts) if (!fact.at().isBefore(change)) lived.take(fact);
    Instant end = facts.getLast().at().plus(LONG);
    lived.advance(end);
    var designs = List.of(new Replay.InForce(first, START), new Replay.InForce(second, change));
    Progress replayed = Replay.run(designs, JUNO, facts, end);
    assertThat(replayed.latches()).isEqualTo(lived.latches());
    assertThat(replayed.thread()).isEqualTo(lived.thread());
  }
}
