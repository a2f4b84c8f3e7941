package yendrik.bench;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.FactId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.watch.DefaultFlags;

/** 300 steps in 20 modules with about 1,000 conditions, and learners somewhere along the way. */
final class LargeCourse {
  static final Instant START = Instant.parse("2026-09-01T06:00:00Z");
  static final int STEPS = 300;
  private static final int PER_MODULE = 15;
  private int nodes;

  private Condition ask(Leaf leaf) {
    return new Condition.Ask(new NodeId("n" + nodes++), leaf);
  }

  CourseDesign design() {
    var levels = new ArrayList<Scale.Level>();
    for (String name : List.of("Watching", "With help", "On my own", "Can teach it"))
      levels.add(new Scale.Level(levels.size(), name, levels.size(), ""));
    var scale = new Scale(new ScaleId(1), "scale", levels, 2);
    List<Outcome> outcomes = new ArrayList<>();
    for (int o = 1; o <= 20; o++)
      outcomes.add(
          new Outcome(
              new OutcomeId(o),
              "O" + o,
              "Outcome " + o,
              "",
              scale,
              LevelRule.of(new LevelMethod.MostRecent()),
              Optional.empty()));
    List<CourseModule> modules = new ArrayList<>();
    List<Badge> badges = new ArrayList<>();
    for (int m = 1; m <= STEPS / PER_MODULE; m++) {
      List<Step> steps = new ArrayList<>();
      for (int s = 1; s <= PER_MODULE; s++) steps.add(step((m - 1) * PER_MODULE + s, m));
      Optional<Condition> opens =
          m == 1
              ? Optional.empty()
              : Optional.of(ask(new Leaf.ModuleShare(new ModuleId(m - 1), 0.6)));
      modules.add(
          new CourseModule(
              new ModuleId(m),
              "Module " + m,
              true,
              false,
              opens,
              Optional.empty(),
              Step.Gate.USUAL,
              steps));
      badges.add(
          new Badge(
              new BadgeId(m),
              "Badge " + m,
              "",
              Optional.empty(),
              Optional.of(ask(new Leaf.ModuleDone(new ModuleId(m)))),
              false));
    }
    List<Flag> flags = new ArrayList<>();
    for (var flag : DefaultFlags.all())
      flags.add(new Flag(new FlagId(flags.size() + 1), flag.name(), flag.flagWhen()));
    return new CourseDesign(
        new CourseId(1),
        1,
        "Large",
        ZoneOffset.UTC,
        START,
        CourseDesign.Order.FREE,
        outcomes,
        modules,
        badges,
        flags,
        AttendanceStatus.SHIPPED,
        Optional.empty(),
        Map.of(),
        Map.of(),
        Map.of());
  }

  private Step step(int n, int module) {
    var id = new StepId(n);
    Optional<Condition> opens = Optional.empty();
    if (n % PER_MODULE != 1) {
      Condition before = ask(new Leaf.StepDone(new StepId(n - 1)));
      opens = Optional.of(n % 10 == 0 ? orScored(before, n - 2) : before);
    }
    return new Step(
        id,
        "Step " + n,
        StepKind.QUIZ,
        true,
        true,
        opens,
        ask(new MarkLeaf.Score(id, 0.6, 1)),
        Step.Gate.USUAL,
        new Step.Window(
            Optional.empty(),
            Optional.of(START.plus(Duration.ofDays(module * 7L))),
            Optional.empty(),
            Optional.empty()),
        new Step.Scoring(10, 0.6, 3),
        List.of(new Step.Tie(new OutcomeId(module), 1)),
        Step.Audience.EVERYONE,
        List.of());
  }

  private Condition orScored(Condition before, int step) {
    Condition score = ask(new MarkLeaf.Score(new StepId(step), 0.4, 1));
    return new Condition.Any(new NodeId("n" + nodes++), List.of(before, score));
  }

  /** Facts of a learner who has come as far as chance had it. */
  static List<Fact> facts(Random random) {
    List<Fact> facts = new ArrayList<>();
    facts.add(fact(facts, START, new Fact.Enrolled()));
    int far = 20 + random.nextInt(200);
    for (int s = 1; s <= far; s++) {
      Instant at = START.plus(Duration.ofHours(s * 5L));
      facts.add(fact(facts, at, new SeenFact.Saw(new StepId(s))));
      facts.add(
          fact(
              facts,
              at.plusSeconds(600),
              new AttemptFact.FinishedAttempt(new StepId(s), 1, 4 + random.nextInt(7), 10)));
    }
    return facts;
  }

  static Fact fact(List<Fact> before, Instant at, Fact.What what) {
    return new Fact(new FactId(before.size() + 1), at, Optional.empty(), what, Optional.empty());
  }
}
