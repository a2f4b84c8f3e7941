package yendrik.core;

import static org.assertj.core.api.Assertions.catchThrowableOfType;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
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
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.signoff.SignOffLeaf;
import yendrik.core.watch.DefaultFlags;
import yendrik.core.words.Catalogue;
import yendrik.core.words.Writing;

/** A small course on bicycle brakes and the facts about one learner in it, for tests. */
@RecordBuilder.Include(
    value = {Step.class, CourseModule.class, CourseDesign.class},
    packagePattern = "yendrik.core")
public final class Workshop {
  public static final Instant START = Instant.parse("2026-10-12T07:00:00Z");
  public static final PersonId JUNO = new PersonId(11);

  /** Why something is refused, as it is said. */
  public static String refused(ThrowingCallable what) {
    Refusal refusal = catchThrowableOfType(Refusal.class, what);
    return ENGLISH.say(refusal.reason());
  }

  /** How sentences are written to whoever reads them at the start, in the course's time zone. */
  public static final Writing ENGLISH =
      Writing.of(Catalogue.english(), ZoneId.of("Europe/Berlin"), START);

  public static final PersonId TOMAS = new PersonId(2);
  public static final StepId ANATOMY = new StepId(1);
  public static final StepId PADS = new StepId(2);
  public static final StepId PRACTICAL = new StepId(3);
  public static final StepId JOB_CARD = new StepId(4);
  public static final StepId SECOND_LOOK = new StepId(5);
  public static final StepId FILM = new StepId(6);
  public static final StatusId PRESENT = new StatusId(1);
  public static final StatusId LATE = new StatusId(2);
  public static final StatusId LEFT_EARLY = new StatusId(3);
  public static final StatusId WITH_NOTICE = new StatusId(4);
  public static final StatusId ABSENT = new StatusId(5);
  public static final SessionId FIRST_SATURDAY = new SessionId(1);
  public static final SessionId SECOND_SATURDAY = new SessionId(2);
  public static final SessionId THIRD_SATURDAY = new SessionId(3);
  public static final ModuleId BRAKES = new ModuleId(1);
  public static final OutcomeId BRAKE = new OutcomeId(1);
  public static final OutcomeId SAFE = new OutcomeId(2);
  public static final OutcomeId WHOLE = new OutcomeId(9);
  public static final BadgeId BRAKE_HAND = new BadgeId(1);
  public static final GroupId SATURDAY = new GroupId(1);
  public static final CourseId COURSE = new CourseId(1);
  public static final CourseId INDUCTION = new CourseId(2);
  public static final Scale SCALE =
      new Scale(
          new ScaleId(1),
          "workshop scale",
          List.of(
              new Scale.Level(0, "Watching", 1, ""),
              new Scale.Level(1, "With help", 2, ""),
              new Scale.Level(2, "On my own", 3, ""),
              new Scale.Level(3, "Can teach it", 4, "")),
          2);

  private static final AtomicInteger NODES = new AtomicInteger();
  private long facts;
  private Instant now = START;
  public final List<Fact> all = new ArrayList<>();

  public static Condition ask(Leaf leaf) {
    return new Condition.Ask(node(), leaf);
  }

  public static Condition all(Condition... parts) {
    return new Condition.All(node(), List.of(parts));
  }

  public static Condition any(Condition... parts) {
    return new Condition.Any(node(), List.of(parts));
  }

  public static Condition none(Condition... parts) {
    return new Condition.None(node(), List.of(parts));
  }

  public static Condition after(int days, Condition part) {
    return new Condition.After(node(), days, part);
  }

  public static Condition atLeast(int n, Condition... parts) {
    return new Condition.AtLeast(node(), n, List.of(parts));
  }

  private static NodeId node() {
    return new NodeId("n" + NODES.getAndIncrement());
  }

  public static Step step(StepId id, String name, StepKind kind, Condition doneWhen) {
    return new Step(
        id,
        name,
        kind,
        true,
        true,
        Optional.empty(),
        doneWhen,
        Step.Gate.USUAL,
        Step.Window.ALWAYS,
        Step.Scoring.NONE,
        List.of(),
        Step.Audience.EVERYONE,
        List.of());
  }

  public static Step opens(Step s, Condition when) {
    return StepBuilder.builder(s).opensWhen(Optional.of(when)).build();
  }

  public static Step scored(Step s, double points, double pass, int attempts, OutcomeId outcome) {
    return StepBuilder.builder(s)
        .scoring(new Step.Scoring(points, pass, attempts))
        .evidenceFor(List.of(new Step.Tie(outcome, 1)))
        .build();
  }

  public static Step window(Step s, Instant from, Instant due, Instant until) {
    var window =
        new Step.Window(
            Optional.ofNullable(from),
            Optional.ofNullable(due),
            Optional.empty(),
            Optional.ofNullable(until));
    return StepBuilder.builder(s).window(window).build();
  }

  public static Step extra(Step s) {
    return StepBuilder.builder(s).required(false).build();
  }

  public static Step followsItsRule(Step s) {
    return gated(s, new Step.Gate(/* listed= */ true, /* staysOpen= */ false));
  }

  public static Step gated(Step s, Step.Gate gate) {
    return StepBuilder.builder(s).gate(gate).build();
  }

  public static Step unpublished(Step s) {
    return StepBuilder.builder(s).published(false).build();
  }

  public static Step tied(Step s, Step.Tie... ties) {
    return StepBuilder.builder(s).evidenceFor(List.of(ties)).build();
  }

  public static Step allowing(Step s, Step.Allowance... allowances) {
    return StepBuilder.builder(s).allowances(List.of(allowances)).build();
  }

  public static Step onlyFor(Step s, GroupId group) {
    return StepBuilder.builder(s).audience(new Step.Audience(Set.of(group), Set.of())).build();
  }

  /** Anatomy, then a quiz with three attempts, a practical behind it, a job card, and help. */
  public static List<Step> steps() {
    return List.of(
        step(ANATOMY, "Rim brake anatomy", StepKind.PAGE, ask(new SeenLeaf.Seen(ANATOMY))),
        scored(
            step(
                PADS, "Pads, cables, levers", StepKind.QUIZ, ask(new MarkLeaf.Score(PADS, 0.6, 1))),
            15,
            0.6,
            3,
            BRAKE),
        opens(
            step(
                PRACTICAL,
                "Brake set-up practical",
                StepKind.PRACTICAL,
                ask(new SignOffLeaf.SignedOff(PRACTICAL))),
            ask(new MarkLeaf.Score(PADS, 0.6, 1))),
        opens(
            scored(
                step(
                    JOB_CARD,
                    "Brake job card",
                    StepKind.ASSIGNMENT,
                    ask(new MarkLeaf.Passed(JOB_CARD))),
                20,
                0.5,
                0,
                BRAKE),
            ask(new Leaf.StepDone(PRACTICAL))),
        extra(
            opens(
                step(
                    SECOND_LOOK,
                    "Second look at brakes",
                    StepKind.PAGE,
                    ask(new SeenLeaf.Seen(SECOND_LOOK))),
                ask(new MarkLeaf.NotPassed(PADS)))));
  }

  public static CourseDesign design() {
    return design(steps());
  }

  public static CourseDesign design(List<Step> steps) {
    var module =
        new CourseModule(
            BRAKES,
            "Brakes",
            true,
            false,
            Optional.empty(),
            Optional.empty(),
            Step.Gate.USUAL,
            steps);
    var badge =
        new Badge(
            BRAKE_HAND,
            "Brake Hand",
            "Sets up brakes alone",
            Optional.of(BRAKES),
            Optional.of(ask(new Leaf.ModuleDone(BRAKES))),
            false);
    return design(List.of(module), List.of(badge));
  }

  /** A module whose steps open one after the other. */
  public static CourseModule inStrictOrder(Step... steps) {
    return new CourseModule(
        BRAKES,
        "Brakes",
        true,
        true,
        Optional.empty(),
        Optional.empty(),
        Step.Gate.USUAL,
        List.of(steps));
  }

  /** The same, all of it in strict order. */
  public static CourseDesign inStrictOrder(CourseDesign design) {
    return CourseDesignBuilder.builder(design).order(CourseDesign.Order.STRICT).build();
  }

  public static CourseDesign design(List<CourseModule> modules, List<Badge> badges) {
    List<Flag> flags = new ArrayList<>();
    for (var flag : DefaultFlags.all())
      flags.add(new Flag(new FlagId(flags.size() + 1), flag.name(), flag.flagWhen()));
    return design(modules, badges, flags);
  }

  /** A module, and nothing that looks at learners by the clock. */
  public static CourseDesign withoutFlags(Step... steps) {
    return design(design(List.of(steps)).modules(), List.of(), List.of());
  }

  private static CourseDesign design(
      List<CourseModule> modules, List<Badge> badges, List<Flag> flags) {
    return new CourseDesign(
        COURSE,
        1,
        "Cycle Mechanic Foundations",
        ZoneId.of("Europe/Berlin"),
        START,
        CourseDesign.Order.FREE,
        List.of(
            outcome(BRAKE, "BRAKE", "Set up rim and disc brakes", new LevelMethod.Best()),
            outcome(
                SAFE, "SAFE", "Work safely in a shared workshop", new LevelMethod.MostRecent())),
        modules,
        badges,
        flags,
        AttendanceStatus.SHIPPED,
        Optional.empty(),
        Map.of(SATURDAY, "Saturday"),
        Map.of(FIRST_SATURDAY, "First Saturday"),
        Map.of(INDUCTION, "Workshop Safety Induction"));
  }

  /** With an outcome made of others in front; its module opens at mastery of the whole. */
  public static CourseDesign withWhole(Composition made) {
    CourseDesign d = design();
    List<Outcome> outcomes = new ArrayList<>(d.outcomes());
    outcomes.add(
        0,
        new Outcome(
            WHOLE,
            "WHOLE",
            "Service a bicycle",
            "",
            SCALE,
            LevelRule.of(new LevelMethod.MostRecent()),
            Optional.of(made)));
    CourseModule brakes = d.modules().getFirst();
    return CourseDesignBuilder.builder(d)
        .outcomes(outcomes)
        .modules(
            List.of(
                CourseModuleBuilder.builder(brakes)
                    .opensWhen(Optional.of(ask(new Leaf.AtMastery(WHOLE))))
                    .build()))
        .build();
  }

  public static Outcome outcome(OutcomeId id, String code, String name, LevelMethod method) {
    return new Outcome(id, code, name, "", SCALE, LevelRule.of(method), Optional.empty());
  }

  public Fact fact(Fact.What what) {
    return fact(Optional.of(TOMAS), what, Optional.empty());
  }

  public Fact correcting(Fact fact, Fact.What what) {
    return fact(Optional.of(TOMAS), what, Optional.of(fact.id()));
  }

  private Fact fact(Optional<PersonId> by, Fact.What what, Optional<FactId> replaces) {
    now = now.plusSeconds(60);
    Fact fact = new Fact(new FactId(++facts), now, by, what, replaces);
    all.add(fact);
    return fact;
  }

  public Workshop later(Duration gap) {
    now = now.plus(gap);
    return this;
  }

  public Instant now() {
    return now;
  }
}
