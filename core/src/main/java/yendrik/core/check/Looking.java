package yendrik.core.check;

import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.FactId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.Outcome;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.check.Rules;
import yendrik.core.rule.plan.CompiledCourse;

/** Looks at a sound design once, for all that can be found in it; mends are proposed, not tried. */
final class Looking {
  /** A course with more of them has no ways at all for those who fail. */
  private static final int MOST_DEAD_ENDS = 10;

  private static final PersonId NOBODY = new PersonId(Long.MAX_VALUE);

  private final CourseDesign design;
  private final Around around;
  private final CourseIndex index;
  private final Places places;
  private final Possible possible;
  private final Reach.Scene scene;
  private final Map<RuleAt, Condition> rules;
  private final Mending mending;
  private final List<Finding> findings = new ArrayList<>();
  private final Map<Profile, Reach> reaches = new HashMap<>();

  Looking(CourseDesign design, Around around) {
    this.design = design;
    this.around = around;
    index = new CourseIndex(design);
    rules = Rules.of(design);
    scene = Reach.Scene.of(index, around, late(design));
    places = scene.places();
    mending = new Mending(index, places, rules);
    possible = scene.possible();
  }

  /** Whether anybody can complete the course. */
  boolean completes() {
    return reach(everybody()).reaches(places.course());
  }

  private static long late(CourseDesign design) {
    long latest = design.startsAt().toEpochMilli();
    for (Condition rule : Rules.of(design).values())
      for (Condition node : rule.nodes().toList())
        if (node instanceof Condition.Ask(var _, Leaf.InTime(var from, var until))) {
          latest = Math.max(latest, until.or(() -> from).orElseThrow().toEpochMilli());
        }
    return latest + Reach.DAY;
  }

  private Reach reach(Profile profile) {
    return reaches.computeIfAbsent(profile, p -> Reach.of(scene, p));
  }

  private Profile everybody() {
    return Profile.in(design.groups().keySet(), true);
  }

  /** Everybody at once, nobody in particular, and those of each group. */
  private List<Profile> profiles() {
    List<Profile> all = new ArrayList<>();
    all.add(everybody());
    all.add(Profile.in(Set.of(), false));
    design.groups().keySet().stream().sorted().forEach(g -> all.add(Profile.in(Set.of(g), false)));
    return all;
  }

  List<Finding> look(boolean deadEnds) {
    List<Reach> all = profiles().stream().map(this::reach).toList();
    var unreached = new BitSet();
    for (int p = 0; p < places.all(); p++) {
      int place = p;
      boolean exists = all.stream().anyMatch(r -> r.exists(place));
      boolean reached = all.stream().anyMatch(r -> r.exists(place) && r.reaches(place));
      if (exists && !reached) unreached.set(p);
    }
    var waits = new Waits(scene, all.getFirst(), unreached);
    circles(waits);
    conditions(waits, unreached);
    wrongHere(waits);
    later(all.getFirst());
    groups(all);
    if (deadEnds) deadEnds(all);
    alwaysMet();
    steps(all);
    outcomes();
    findings.sort(Comparator.comparing(Finding::weight).thenComparingInt(f -> turn(f.place())));
    return findings;
  }

  private int turn(RuleAt at) {
    int place = places.of(at);
    return place < 0 ? Integer.MAX_VALUE : places.turn(place);
  }

  private void add(
      Finding.Code code,
      Finding.Weight weight,
      RuleAt place,
      Optional<NodeId> node,
      Map<String, Object> arguments,
      List<Finding.Link> chain,
      List<Integer> holdsUp,
      List<Mend> mends) {
    Set<RuleAt> things = new LinkedHashSet<>();
    for (int held : holdsUp) things.add(places.at(held));
    things.remove(place);
    findings.add(
        new Finding(
            code, weight, place, node, arguments, chain, List.copyOf(things), List.of(), mends));
  }

  /** Something that is odd and holds nobody up. */
  private void odd(Finding.Code code, RuleAt place, Map<String, Object> arguments, Mend... mends) {
    add(
        code,
        Finding.Weight.ODD,
        place,
        Optional.empty(),
        arguments,
        List.of(),
        List.of(),
        List.of(mends));
  }

  private void circles(Waits waits) {
    for (List<Integer> members : waits.allCircles()) {
      List<Finding.Link> chain = waits.around(members);
      circle(
          Finding.Code.CIRCLE,
          Finding.Weight.NOBODY,
          waits,
          members,
          chain,
          Map.of(),
          mending.ofCircle(chain));
    }
  }

  private void circle(
      Finding.Code code,
      Finding.Weight weight,
      Waits waits,
      List<Integer> members,
      List<Finding.Link> chain,
      Map<String, Object> arguments,
      List<Mend> mends) {
    List<Integer> holdsUp = new ArrayList<>(members);
    holdsUp.addAll(waits.heldUpBy(members));
    holdsUp.sort(Comparator.comparingInt(places::turn));
    RuleAt first = chain.getFirst().at();
    add(code, weight, first, Optional.empty(), arguments, chain, holdsUp, mends);
  }

  private boolean published(RuleAt at) {
    return switch (at) {
      case RuleAt.StepOpens r -> index.published(index.number(r.step()));
      case RuleAt.StepDone r -> index.published(index.number(r.step()));
      case RuleAt.ModuleOpens r -> index.module(index.number(r.module())).published();
      case RuleAt.ModuleDone r -> index.module(index.number(r.module())).published();
      case RuleAt.BadgeEarned _,
          RuleAt.BadgeRenewed _,
          RuleAt.CourseComplete _,
          RuleAt.OutcomeMade _,
          RuleAt.FlagRaised _ ->
          true;
    };
  }

  /** Conditions that no fact can meet, and those that are odd, wherever they stand. */
  private void conditions(Waits waits, BitSet unreached) {
    rules.forEach((at, rule) -> {
      if (!published(at)) return;
      rule.nodes()
          .forEach(node -> {
            if (node instanceof Condition.Ask ask) condition(at, rule, ask, waits, unreached);
          });
    });
  }

  private void condition(
      RuleAt at, Condition rule, Condition.Ask ask, Waits waits, BitSet unreached) {
    int place = places.of(at);
    Optional<Possible.Never> never = possible.never(ask.leaf());
    boolean fails = never.isPresent() && place >= 0 && unreached.get(place);
    boolean blocks =
        fails
            && waits.of(place).stream()
                .anyMatch(w -> w.condition().filter(c -> c.id().equals(ask.id())).isPresent());
    never
        .or(() -> possible.odd(ask.leaf()))
        .ifPresent(why ->
            add(
                why.code(),
                blocks ? Finding.Weight.NOBODY : Finding.Weight.ODD,
                at,
                Optional.of(ask.id()),
                why.arguments(),
                List.of(new Finding.Link(at, Finding.By.RULE, Optional.of(ask))),
                blocks ? waits.heldUpBy(List.of(place)) : List.of(),
                mending.ofCondition(at, rule, ask, why)));
  }

  /** Rules whose parts never come together, and steps that are over too soon. */
  private void wrongHere(Waits waits) {
    for (int place : waits.wrongHere())
      for (Waits.Wait wait : waits.of(place)) {
        if (wait.place() != Waits.HERE) continue;
        Optional<Leaf> leaf =
            wait.condition()
                .flatMap(c ->
                    c instanceof Condition.Ask ask ? Optional.of(ask.leaf()) : Optional.empty());
        if (leaf.flatMap(possible::never).isPresent()) continue;
        RuleAt at = places.at(place);
        boolean dates = wait.condition().isEmpty() && place < index.steps();
        Map<String, Object> with =
            dates
                ? Map.of("date", Instant.ofEpochMilli(Math.min(index.closesAt(place), Times.END)))
                : Map.of();
        add(
            dates && index.closesAt(place) != CourseIndex.NEVER
                ? Finding.Code.OVER_BEFORE_OPEN
                : Finding.Code.NEVER_TOGETHER,
            Finding.Weight.NOBODY,
            at,
            wait.condition().map(Condition::id),
            with,
            List.of(new Finding.Link(at, wait.by(), wait.condition())),
            waits.heldUpBy(List.of(place)),
            mending.outOf(at, wait.condition()));
      }
  }

  /** What nobody can reach any more once the dates of rules have passed, and goes in a circle. */
  private void later(Reach onTime) {
    Reach late = reach(everybody().comingLate());
    var lost = new BitSet();
    for (int p = 0; p < places.all(); p++)
      if (onTime.exists(p) && onTime.reaches(p) && !late.reaches(p)) lost.set(p);
    if (lost.isEmpty()) return;
    var waits = new Waits(scene, late, lost);
    for (List<Integer> members : waits.allCircles()) {
      List<Finding.Link> chain = waits.around(members);
      Optional<Instant> over =
          members.stream()
              .flatMap(m -> Optional.ofNullable(rules.get(places.at(m))).stream())
              .flatMap(Condition::nodes)
              .flatMap(n ->
                  n instanceof Condition.Ask(var _, Leaf.InTime(var _, var until))
                      ? until.stream()
                      : Stream.<Instant>empty())
              .max(Comparator.naturalOrder());
      if (over.isEmpty()) continue;
      circle(
          Finding.Code.CIRCLE_LATER,
          Finding.Weight.SOME,
          waits,
          members,
          chain,
          Map.of("date", over.get()),
          List.of());
    }
  }

  private void groups(List<Reach> all) {
    int course = places.course();
    if (all.stream().noneMatch(r -> r.reaches(course))) return;
    Map<List<Finding.Link>, List<GroupId>> stuck = new LinkedHashMap<>();
    for (Reach reach : all) {
      if (reach.profile().groups().size() != 1 || reach.profile().named() || reach.reaches(course))
        continue;
      var unreached = new BitSet();
      for (int p = 0; p < places.all(); p++)
        if (reach.exists(p) && !reach.reaches(p)) unreached.set(p);
      List<Finding.Link> chain = new Waits(scene, reach, unreached).chain(course);
      stuck.computeIfAbsent(chain, _ -> new ArrayList<>()).addAll(reach.profile().groups());
    }
    stuck.forEach((chain, groups) ->
        findings.add(
            new Finding(
                Finding.Code.GROUP_CANNOT_COMPLETE,
                Finding.Weight.SOME,
                new RuleAt.CourseComplete(),
                chain.isEmpty() ? Optional.empty() : chain.getLast().condition().map(Condition::id),
                Map.of(),
                chain,
                List.of(),
                groups,
                chain.isEmpty()
                    ? List.of()
                    : mending.outOf(chain.getLast().at(), chain.getLast().condition()))));
  }

  /** Steps of few attempts, of which all who fail them are kept from completing the course. */
  private void deadEnds(List<Reach> all) {
    int course = places.course();
    Optional<Reach> able = all.stream().filter(r -> r.reaches(course)).findFirst();
    if (able.isEmpty()) return;
    List<Integer> limited = new ArrayList<>();
    for (int s = 0; s < index.steps(); s++) {
      Step step = index.step(s);
      if (step.scoring().attempts() > 0 && Kinds.tried(step) && able.get().reaches(places.opens(s)))
        limited.add(s);
    }
    List<Integer> ends = new ArrayList<>();
    deadEnds(able.get().profile(), limited, ends);
    for (int s : ends) deadEnd(able.get().profile(), s);
  }

  /**
   * Finds the steps without which nobody completes. Who fails several reaches no more than who
   * fails one of them, so that where all together do no harm, none does.
   */
  private void deadEnds(Profile profile, List<Integer> steps, List<Integer> ends) {
    if (steps.isEmpty() || ends.size() >= MOST_DEAD_ENDS) return;
    if (Reach.of(scene, profile.neverPassing(steps)).reaches(places.course())) return;
    if (steps.size() == 1) {
      ends.add(steps.getFirst());
      return;
    }
    int half = steps.size() / 2;
    deadEnds(profile, steps.subList(0, half), ends);
    deadEnds(profile, steps.subList(half, steps.size()), ends);
  }

  private void deadEnd(Profile profile, int s) {
    Reach failing = Reach.of(scene, profile.neverPassing(List.of(s)));
    var unreached = new BitSet();
    for (int p = 0; p < places.all(); p++)
      if (failing.exists(p) && !failing.reaches(p)) unreached.set(p);
    var waits = new Waits(scene, failing, unreached);
    Step step = index.step(s);
    add(
        Finding.Code.DEAD_END,
        Finding.Weight.SOME,
        new RuleAt.StepDone(step.id()),
        Optional.empty(),
        Map.of("attempts", step.scoring().attempts()),
        waits.chain(places.course()),
        waits.heldUpBy(List.of(places.done(s))),
        List.of(new Mend.AnyAttempts(step.id())));
  }

  /** Rules that hold for somebody of whom nothing is known, early and late alike. */
  private void alwaysMet() {
    var compiled = CompiledCourse.of(design);
    Progress early = fresh(compiled, design.startsAt());
    Progress late = fresh(compiled, Instant.ofEpochMilli(scene.late()));
    rules.forEach((at, rule) -> {
      boolean kept =
          switch (at) {
            case RuleAt.StepOpens r -> index.step(index.number(r.step())).gate().staysOpen();
            case RuleAt.ModuleOpens r -> index.module(index.number(r.module())).gate().staysOpen();
            case RuleAt.StepDone _,
                RuleAt.ModuleDone _,
                RuleAt.BadgeEarned _,
                RuleAt.CourseComplete _ ->
                true;
            case RuleAt.OutcomeMade _, RuleAt.BadgeRenewed _, RuleAt.FlagRaised _ -> false;
          };
      if (kept && published(at) && met(early, at) && met(late, at))
        add(
            Finding.Code.ALWAYS_MET,
            Finding.Weight.ODD,
            at,
            Optional.empty(),
            Map.of(),
            List.of(new Finding.Link(at, Finding.By.RULE, Optional.of(rule))),
            List.of(),
            at instanceof RuleAt.StepOpens || at instanceof RuleAt.ModuleOpens
                ? List.of(new Mend.Rule(at, Mend.How.NONE, rule, Optional.empty()))
                : List.of());
    });
  }

  private static Progress fresh(CompiledCourse compiled, Instant at) {
    Progress progress = Progress.begin(compiled, NOBODY, at);
    progress.take(
        new Fact(new FactId(1), at, Optional.empty(), new Fact.Enrolled(), Optional.empty()));
    return progress;
  }

  private static boolean met(Progress progress, RuleAt at) {
    return progress.explain(at).filter(e -> e.verdict() == Verdict.MET).isPresent();
  }

  private void steps(List<Reach> all) {
    for (int s = 0; s < index.steps(); s++) {
      if (!index.published(s)) continue;
      Step step = index.step(s);
      for (GroupId group : around.emptyGroups())
        if (step.audience().groups().contains(group))
          odd(
              Finding.Code.EMPTY_GROUP,
              new RuleAt.StepOpens(step.id()),
              Map.of("group", design.groups().getOrDefault(group, "")));
      long open = Long.MAX_VALUE;
      for (Reach reach : all)
        if (reach.exists(places.opens(s))) open = Math.min(open, reach.at(places.opens(s)).first());
      long due = index.dueAt(s);
      if (due != CourseIndex.ALWAYS && open != Long.MAX_VALUE && due <= open)
        odd(
            Finding.Code.DUE_TOO_EARLY,
            new RuleAt.StepOpens(step.id()),
            Map.of("date", Instant.ofEpochMilli(open)),
            new Mend.NoDueDate(step.id()));
    }
  }

  private void outcomes() {
    Set<Integer> parts = new HashSet<>();
    for (int o = 0; o < index.outcomes(); o++)
      if (index.outcome(o).madeOf().isEmpty()) parts.add(o);
    for (int o : parts) {
      Outcome outcome = index.outcome(o);
      int steps = possible.ties(o).size();
      int needed =
          outcome.levelRule().method() instanceof LevelMethod.Secure secure
              ? Math.max(secure.times(), outcome.levelRule().fewest())
              : outcome.levelRule().fewest();
      if (steps == 0)
        odd(Finding.Code.WITHOUT_EVIDENCE, new RuleAt.OutcomeMade(outcome.id()), Map.of());
      else if (steps < needed)
        odd(
            Finding.Code.TOO_FEW_CHANCES,
            new RuleAt.OutcomeMade(outcome.id()),
            Map.of("steps", steps, "needed", needed));
    }
  }
}
