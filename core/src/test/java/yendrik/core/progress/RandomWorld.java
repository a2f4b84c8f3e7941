package yendrik.core.progress;

import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.RandomDistribution;
import yendrik.core.Workshop;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.course.Validity;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FactId;
import yendrik.core.id.FlagId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.core.outcome.Outcome;
import yendrik.core.people.StaffKind;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Rhythm;
import yendrik.core.rule.words.Wording;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.confirm.ConfirmFact;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.film.FilmLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostFact;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.signoff.SignOffLeaf;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.strand.time.TimeLeaf;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkLeaf;

/**
 * A random course in one to three versions, and what happens to one learner in it: acts, marks,
 * groups, exceptions, corrections, publications, leaving and coming back.
 *
 * @param designs the publications, first is number 1
 * @param happenings facts in the order in which they are recorded
 */
record RandomWorld(List<CourseDesign> designs, List<Fact> happenings) {
  static final OutcomeId WHOLE = new OutcomeId(3);
  static final GroupId TUESDAY = new GroupId(2);

  /** Between the ids of what happens there is room for what follows from it. */
  private static final long GAP = 1_000;

  private static final int STEPS = 6;
  private static final int MODULES = 3;

  /** Most are full: of several modules and versions, with dozens of facts. */
  static Arbitrary<RandomWorld> anyWorld() {
    return Combinators.combine(numbers(100, 500), numbers(0, 300)).as(RandomWorld::of);
  }

  private static Arbitrary<List<Integer>> numbers(int fewest, int most) {
    return Arbitraries.integers()
        .between(0, 99)
        .withDistribution(RandomDistribution.uniform())
        .list()
        .ofMinSize(fewest)
        .ofMaxSize(most)
        .withSizeDistribution(RandomDistribution.uniform());
  }

  private static RandomWorld of(List<Integer> ofDesigns, List<Integer> ofHappenings) {
    return new Making(new Choices(ofDesigns)).world(new Choices(ofHappenings));
  }

  /** The whole world in words, for whoever reads a failure. */
  @Override
  public String toString() {
    return "\n"
        + designs.stream().map(RandomWorld::words).collect(Collectors.joining("\n"))
        + "\n"
        + happenings.stream()
            .map(f ->
                "  #"
                    + f.id()
                    + " "
                    + Duration.between(START, f.at())
                    + " "
                    + f.what()
                    + f.replaces().map(r -> " in place of #" + r).orElse(""))
            .collect(Collectors.joining("\n"));
  }

  private static String words(CourseDesign design) {
    var wording = new Wording(design, Workshop.ENGLISH);
    var out = new StringBuilder("version " + design.version() + " " + design.order());
    for (CourseModule m : design.modules()) {
      out.append("\n module ").append(m.id()).append(m.published() ? "" : " unpublished");
      if (m.strictOrder()) out.append(" in strict order");
      if (!m.gate().staysOpen()) out.append(" follows its rule");
      m.opensWhen().ifPresent(r -> out.append(" opens when ").append(rule(r)));
      m.doneWhen().ifPresent(r -> out.append(" done when ").append(rule(r)));
      for (Step s : m.steps()) {
        out.append("\n  step ").append(s.id()).append(s.published() ? "" : " unpublished");
        if (!s.required()) out.append(" extra");
        if (!s.gate().staysOpen()) out.append(" follows its rule");
        if (!s.audience().everyone()) out.append(" for ").append(s.audience().groups());
        if (!s.window().equals(Step.Window.ALWAYS)) out.append(" ").append(s.window());
        s.opensWhen().ifPresent(r -> out.append(" opens when ").append(rule(r)));
        out.append(" done when ").append(rule(s.doneWhen()));
      }
    }
    for (Badge b : design.badges())
      out.append("\n badge ")
          .append(b.id())
          .append(" ")
          .append(b.validity())
          .append(b.earnedWhen().map(r -> " earned when " + rule(r)).orElse(" by hand"));
    design.completeWhen().ifPresent(r -> out.append("\n complete when ").append(rule(r)));
    return out.toString();
  }

  private static String rule(Condition rule) {
    return switch (rule) {
      case Condition.Ask ask -> ask.leaf().toString();
      default ->
          joint(rule)
              + rule.parts().stream()
                  .map(p -> rule(p))
                  .collect(Collectors.joining(", ", " (", ")"));
    };
  }

  private static String joint(Condition rule) {
    return rule instanceof Condition.AtLeast some
        ? "AtLeast " + some.n()
        : rule.getClass().getSimpleName();
  }

  /** Builds one from choices. */
  private static final class Making {
    private Choices c;

    /** Whether rules may wait for each other in a circle; else they ask about earlier ones only. */
    private boolean circles;

    private final List<Fact> happened = new ArrayList<>();
    private Instant now = START;

    Making(Choices c) {
      this.c = c;
    }

    RandomWorld world(Choices happenings) {
      circles = c.rarely(2);
      List<CourseDesign> designs = new ArrayList<>();
      int versions = 1 + c.next(3);
      for (int v = 1; v <= versions; v++) designs.add(design(v));
      add(new Fact.Enrolled(), Optional.empty());
      add(new Fact.CameUnder(1), Optional.empty());
      int version = 1;
      c = happenings;
      while (c.more() && happened.size() < 60) {
        now = now.plus(Duration.ofMinutes(c.next(8) == 0 ? 0 : c.next(100) * 30L));
        if (version < versions && c.rarely(8)) add(new Fact.CameUnder(++version), Optional.empty());
        else if (c.rarely(8)) correct();
        else add(what(), Optional.empty());
      }
      return new RandomWorld(designs, happened);
    }

    private void add(Fact.What what, Optional<FactId> replaces) {
      var id = new FactId((happened.size() + 1) * GAP);
      happened.add(new Fact(id, now, Optional.of(TOMAS), what, replaces));
    }

    /** Any earlier fact but how the learner came in and under which version. */
    private void correct() {
      Fact earlier = happened.get(c.next(happened.size()));
      if (earlier.what() instanceof Fact.Enrolled || earlier.what() instanceof Fact.CameUnder)
        return;
      Fact.What what =
          switch (earlier.what()) {
            case WorkFact.Marked m when c.rarely(2) ->
                new WorkFact.Marked(m.step(), m.version(), c.next(11), 10, judgement(), "");
            case Fact.Rated r when c.rarely(2) ->
                new Fact.Rated(r.outcome(), c.next(4), r.step(), r.version());
            case Fact.Attendance a when c.rarely(2) -> new Fact.Attendance(a.session(), status());
            default -> new Fact.TakenBack("");
          };
      add(what, Optional.of(earlier.id()));
    }

    private Judgement judgement() {
      return Judgement.values()[c.next(3)];
    }

    private StatusId status() {
      return new StatusId(1 + c.next(5));
    }

    private Fact.What what() {
      StepId s = new StepId(1 + c.next(STEPS));
      return switch (c.next(34)) {
        case 0, 1, 2 -> new SeenFact.Saw(s);
        case 3, 4 -> new SignOffFact.SignedOff(s, "");
        case 5, 6, 7 -> new AttemptFact.FinishedAttempt(s, 1 + c.next(3), c.next(11), 10);
        case 8, 9 -> new WorkFact.HandedIn(s, versionOf(s) + 1);
        case 10, 11 ->
            new WorkFact.Marked(
                s, Math.max(0, versionOf(s) - c.next(2)), c.next(11), 10, judgement(), "");
        case 12 -> new Fact.Rated(c.rarely(2) ? BRAKE : SAFE, c.next(4), Optional.empty(), 0);
        case 13 -> new Fact.Rated(c.rarely(2) ? BRAKE : SAFE, c.next(4), Optional.of(s), c.next(2));
        case 14 -> film(s);
        case 15 -> new Fact.Attendance(new SessionId(1 + c.next(3)), status());
        case 16 -> new Fact.JoinedGroup(group());
        case 17 -> new Fact.LeftGroup(group());
        case 18 -> new Fact.Excused(s, "");
        case 19 ->
            new Fact.Opened(
                s,
                Optional.empty(),
                c.rarely(2)
                    ? Optional.of(START.plus(Duration.ofHours(c.next(50) * 10L)))
                    : Optional.empty());
        case 20 -> new Fact.AttemptsAdded(s, 1);
        case 21 -> new Fact.DueMoved(s, START.plus(Duration.ofHours(c.next(50) * 10L)));
        case 22 -> new Fact.ExceptionEnded(s, Fact.Grant.values()[c.next(4)], "");
        case 23 -> badge();
        case 24 -> c.rarely(2) ? new Fact.LeftCourse() : new Fact.Enrolled();
        case 25 -> new Fact.CompletedCourse(INDUCTION);
        case 27 -> new PostFact.Posted(s, new PostId(1 + happened.size()));
        case 28 -> new PostFact.Replied(s, new PostId(1 + happened.size()));
        case 26 -> new ConfirmFact.Confirmed(s);
        case 29 -> new Fact.Approved(StaffKind.values()[c.next(3)], "");
        case 30 -> new Fact.OwnWord();
        case 31 -> new Fact.StartedAnew(s, Optional.empty());
        default -> new TimeFact.SpentTime(s, 60 * (1 + c.next(3)));
      };
    }

    private Fact.What badge() {
      BadgeId b = new BadgeId(1 + c.next(2));
      return switch (c.next(3)) {
        case 0 ->
            new Fact.BadgeIssued(
                b,
                "seen",
                c.rarely(2)
                    ? Optional.of(START.plus(Duration.ofHours(c.next(90) * 10L)))
                    : Optional.empty());
        case 1 -> new Fact.BadgeRevoked(b, "wrong");
        default -> new Fact.BadgeKept(b, "stands");
      };
    }

    private int versionOf(StepId s) {
      return (int)
          happened.stream()
              .filter(f -> f.what() instanceof WorkFact.HandedIn in && in.step().equals(s))
              .count();
    }

    private Fact.What film(StepId step) {
      int of = c.rarely(8) ? 30 : 20;
      int from = c.next(of);
      return new FilmFact.Watched(step, from, from + 1 + c.next(of - from), of);
    }

    private GroupId group() {
      return c.next(2) == 0 ? SATURDAY : TUESDAY;
    }

    private CourseDesign design(int version) {
      List<CourseModule> modules = new ArrayList<>();
      int next = 1;
      for (int m = 1; m <= MODULES; m++) {
        List<Step> steps = new ArrayList<>();
        int many = m == MODULES ? STEPS + 1 - next : c.next(4);
        for (int i = 0; i < many && next <= STEPS; i++, next++)
          if (!c.rarely(12)) steps.add(step(next, m));
        modules.add(module(m, next, steps));
      }
      List<Badge> badges = new ArrayList<>();
      badges.add(badge(1, Optional.of(rule(STEPS + 1, MODULES + 1, 2))));
      badges.add(
          badge(2, c.rarely(2) ? Optional.of(rule(STEPS + 1, MODULES + 1, 1)) : Optional.empty()));
      Optional<Condition> complete =
          switch (c.next(4)) {
            case 0, 1 -> Optional.of(rule(STEPS + 1, MODULES + 1, 1));
            case 2 -> Optional.of(any(ask(new Leaf.HasLeft()), rule(STEPS + 1, MODULES + 1, 1)));
            default -> Optional.empty();
          };
      CourseDesign usual = Workshop.design(modules, badges);
      return sound(
          new CourseDesign(
              COURSE,
              version,
              usual.name(),
              usual.zone(),
              START,
              c.rarely(6) ? CourseDesign.Order.STRICT : CourseDesign.Order.FREE,
              outcomes(usual),
              modules,
              badges,
              flags(usual),
              usual.statuses(),
              complete,
              Map.of(SATURDAY, "Saturday", TUESDAY, "Tuesday"),
              Map.of(new SessionId(1), "One", new SessionId(2), "Two"),
              usual.otherCourses()));
    }

    private List<Flag> flags(CourseDesign usual) {
      List<Flag> flags = new ArrayList<>(usual.flags());
      flags.add(new Flag(new FlagId(90), "Odd", rule(STEPS + 1, MODULES + 1, 1)));
      return flags;
    }

    private static List<Outcome> outcomes(CourseDesign usual) {
      List<Outcome> all = new ArrayList<>(usual.outcomes());
      all.add(
          new Outcome(
              WHOLE,
              "WHOLE",
              "Whole",
              "",
              SCALE,
              LevelRule.of(new LevelMethod.Best()),
              Optional.of(new Composition(List.of(BRAKE, SAFE), new Composition.All()))));
      return all;
    }

    private Badge badge(int id, Optional<Condition> when) {
      return new Badge(
          new BadgeId(id), "Badge " + id, "", Optional.empty(), when, false, validity());
    }

    private Validity validity() {
      LocalDate day = START.atZone(ZoneOffset.UTC).toLocalDate();
      return new Validity(
          switch (c.next(6)) {
            case 0 -> new Validity.Lasting.Months(1);
            case 1 -> new Validity.Lasting.Until(day.plusDays(c.next(20)));
            default -> new Validity.Lasting.Always();
          },
          1 + c.next(9),
          c.rarely(2)
              ? Optional.of(new Validity.Renewal(List.of(), Optional.empty()))
              : Optional.empty());
    }

    private Step step(int n, int m) {
      StepId id = new StepId(n);
      Condition done =
          switch (c.next(8)) {
            case 0, 1 -> ask(new SeenLeaf.Seen(id));
            case 2 -> ask(new SignOffLeaf.SignedOff(id));
            case 3 -> ask(new MarkLeaf.Score(id, 0.5, 1));
            case 4 -> ask(new MarkLeaf.Passed(id));
            case 5 -> all(ask(new ConfirmLeaf.Confirmed(id)), rule(n, m, 1));
            case 6 -> any(ask(new WorkLeaf.HandedIn(id)), rule(n, m, 1));
            default -> rule(n, m, 2);
          };
      Optional<Condition> opens =
          (n > 1 || circles) && c.next(3) > 0 ? Optional.of(rule(n, m, 2)) : Optional.empty();
      return new Step(
          id,
          "Step " + n,
          StepKind.QUIZ,
          !c.rarely(5),
          !c.rarely(8),
          opens,
          done,
          new Step.Gate(true, !c.rarely(4)),
          c.rarely(5) ? window() : Step.Window.ALWAYS,
          new Step.Scoring(10, 0.5, c.next(3)),
          List.of(new Step.Tie(c.rarely(2) ? SAFE : BRAKE, 1)),
          c.rarely(5)
              ? new Step.Audience(Set.of(group()), c.rarely(5) ? Set.of(JUNO) : Set.<PersonId>of())
              : Step.Audience.EVERYONE,
          c.rarely(5)
              ? List.of(new Step.Allowance(group(), 0, c.next(3), groupsDue()))
              : List.of());
    }

    private Optional<Instant> groupsDue() {
      return c.rarely(2)
          ? Optional.of(START.plus(Duration.ofHours(c.next(50) * 10L)))
          : Optional.empty();
    }

    private Step.Window window() {
      Instant from = START.plus(Duration.ofHours(c.next(200)));
      return new Step.Window(
          c.rarely(2) ? Optional.of(from) : Optional.empty(),
          Optional.empty(),
          c.rarely(2) ? Optional.of(end(from)) : Optional.empty(),
          c.rarely(2) ? Optional.of(end(from)) : Optional.empty());
    }

    private Instant end(Instant from) {
      return from.plus(Duration.ofHours(1 + c.next(300)));
    }

    private CourseModule module(int m, int nextStep, List<Step> steps) {
      int firstStep = steps.isEmpty() ? nextStep : (int) steps.getFirst().id().value();
      boolean asks = (firstStep > 1 || circles) && c.rarely(2);
      return new CourseModule(
          new ModuleId(m),
          "Module " + m,
          !c.rarely(8),
          c.rarely(4),
          asks ? Optional.of(rule(firstStep, m, 2)) : Optional.empty(),
          c.rarely(5) && nextStep > 1 ? Optional.of(rule(nextStep, m, 1)) : Optional.empty(),
          new Step.Gate(true, !c.rarely(4)),
          steps);
    }

    /** Asks about steps and modules before these, or about any where circles are allowed. */
    private Condition rule(int beforeStep, int beforeModule, int depth) {
      if (depth == 0 || c.next(3) == 0) return ask(leaf(beforeStep, beforeModule, false));
      if (c.rarely(8)) return after(1 + c.next(2), rule(beforeStep, beforeModule, depth - 1));
      int kind = c.next(4);
      boolean factsOnly = kind == 3 && circles;
      Condition[] parts =
          IntStream.rangeClosed(0, c.next(3))
              .mapToObj(_ ->
                  factsOnly
                      ? ask(leaf(beforeStep, beforeModule, true))
                      : rule(beforeStep, beforeModule, depth - 1))
              .toArray(Condition[]::new);
      return switch (kind) {
        case 0 -> all(parts);
        case 1 -> any(parts);
        case 2 -> atLeast(1 + c.next(parts.length), parts);
        default -> none(parts);
      };
    }

    /**
     * @param factsOnly whether it must not ask about what is worked out: a <em>none of</em> on a
     *     circle has no one meaning
     */
    private Leaf leaf(int beforeStep, int beforeModule, boolean factsOnly) {
      int steps = circles ? STEPS : Math.max(1, beforeStep - 1);
      StepId s = new StepId(1 + c.next(steps));
      boolean noStep = !circles && beforeStep <= 1;
      if (!factsOnly && c.rarely(3)) {
        int modules = circles ? MODULES : beforeModule - 1;
        if (modules > 0 && c.rarely(2)) return ofModule(new ModuleId(1 + c.next(modules)));
        if (circles && c.rarely(3)) return new Leaf.HoldsBadge(new BadgeId(1 + c.next(2)));
        if (circles && c.rarely(4)) return new Leaf.CourseComplete(COURSE);
        if (!noStep)
          return c.rarely(4) ? new Leaf.DaysSinceDone(s, 1 + c.next(5)) : new Leaf.StepDone(s);
      }
      return noStep ? ofPerson() : c.rarely(2) ? ofPerson() : ofFacts(s);
    }

    private Leaf ofModule(ModuleId m) {
      return switch (c.next(5)) {
        case 0, 1 -> new Leaf.ModuleDone(m);
        // all quizzes of the course are later ones too
        case 3 ->
            new Leaf.QuizzesScored(
                circles && c.rarely(2) ? Optional.empty() : Optional.of(m), c.rarely(2) ? 0.5 : 1);
        case 2 -> new Leaf.ModuleCount(m, 1 + c.next(2));
        default -> new Leaf.ModuleShare(m, (1 + c.next(4)) / 4.0);
      };
    }

    private Leaf ofFacts(StepId s) {
      return switch (c.next(17)) {
        case 0, 1 -> new SeenLeaf.Seen(s);
        case 2 -> new SignOffLeaf.SignedOff(s);
        case 3 -> new MarkLeaf.Score(s, 0.5, 1);
        case 4 -> new MarkLeaf.Score(s, 0.2, 0.7);
        case 5 -> new MarkLeaf.NotPassed(s);
        case 6 -> new MarkLeaf.Passed(s);
        case 7 -> new WorkLeaf.Marked(s);
        case 8 -> new WorkLeaf.HandedIn(s);
        case 9 -> new AttemptLeaf.Attempted(s, 1 + c.next(3));
        case 10 -> new ConfirmLeaf.Confirmed(s);
        case 14 -> new AttemptLeaf.OnDays(s, 1 + c.next(3));
        case 15 -> new AttemptLeaf.Improved(s, (1 + c.next(5)) / 10.0);
        case 12 -> new PostLeaf.Posted(s, 1 + c.next(3));
        case 13 -> new PostLeaf.Replied(s, 1 + c.next(2));
        case 11 -> new FilmLeaf.Watched(s, (1 + c.next(10)) / 10.0);
        default -> new TimeLeaf.TimeSpent(s, 1 + c.next(3));
      };
    }

    private Leaf ofPerson() {
      return switch (c.next(16)) {
        case 0, 1 -> new Leaf.InGroup(group());
        case 2 -> new Leaf.EnrolledFor(1 + c.next(12));
        case 3 -> inTime();
        case 4 -> new Leaf.AtMastery(outcome());
        case 5 -> new Leaf.LevelAtLeast(outcome(), 1 + c.next(3));
        case 6 -> new Leaf.LevelBelow(outcome(), 1 + c.next(3));
        case 7 -> new Leaf.EvidenceCount(outcome(), 1 + c.next(3), c.next(3));
        case 8 -> new Leaf.AttendanceRate((1 + c.next(4)) / 4.0);
        case 9 -> new Leaf.SessionsAttended(1 + c.next(3));
        case 10 -> new Leaf.Approved(kind());
        case 11 -> new Leaf.OwnWord();
        case 13 -> new Leaf.SessionAttended(new SessionId(1 + c.next(2)));
        case 14 -> new Leaf.InARow(1 + c.next(3), Rhythm.values()[c.next(2)]);
        case 12 -> new Leaf.GradeAtLeast((1 + c.next(4)) / 4.0);
        default -> new Leaf.CourseComplete(INDUCTION);
      };
    }

    private StaffKind kind() {
      return StaffKind.values()[c.next(3)];
    }

    private OutcomeId outcome() {
      return List.of(BRAKE, SAFE, WHOLE).get(c.next(3));
    }

    private Leaf inTime() {
      Instant from = START.plus(Duration.ofHours(c.next(300)));
      Instant until = from.plus(Duration.ofHours(1 + c.next(300)));
      return switch (c.next(3)) {
        case 0 -> new Leaf.InTime(Optional.of(from), Optional.empty());
        case 1 -> new Leaf.InTime(Optional.empty(), Optional.of(until));
        default -> new Leaf.InTime(Optional.of(from), Optional.of(until));
      };
    }

    /** What names a step that was left out asks whether it is after the beginning instead. */
    private static CourseDesign sound(CourseDesign d) {
      return Sound.of(d);
    }
  }
}
