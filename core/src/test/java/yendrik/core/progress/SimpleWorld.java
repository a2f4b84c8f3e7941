package yendrik.core.progress;

import static yendrik.core.Workshop.*;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import yendrik.core.Workshop;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.course.Validity.Lasting.Until;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FactId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.Rhythm;
import yendrik.core.rule.Verdict;
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
 * The same rules once more, written to be read and not to be fast: no numbers, no arrays, no
 * dependencies; every question goes through the list of facts, and at each moment everything is
 * asked again, from nothing upwards, until nothing changes.
 */
final class SimpleWorld {
  private final List<CourseDesign> designs;
  private CourseDesign design;
  private final List<Fact> facts = new ArrayList<>();

  /** All of them, also those that do not count any more. */
  private final List<Fact> happened = new ArrayList<>();

  // what is kept
  final Map<StepId, Instant> opened = new HashMap<>();
  final Map<StepId, Instant> granted = new HashMap<>();
  final Map<StepId, Instant> done = new HashMap<>();
  final Map<ModuleId, Instant> moduleGranted = new HashMap<>();
  final Map<ModuleId, Instant> moduleDone = new HashMap<>();
  final Map<BadgeId, Instant> earned = new HashMap<>();
  Optional<Instant> completed = Optional.empty();
  private final Map<NodeId, Instant> firstMet = new HashMap<>();

  // what is worked out at each moment
  private final Set<Object> open = new HashSet<>();
  private final Set<Object> canOpen = new HashSet<>();
  private final Set<Object> byWaiver = new HashSet<>();

  /** What can still be done, earned or completed; at first nothing. */
  private final Set<Object> within = new HashSet<>();

  private Instant now = Instant.MIN;
  private boolean changed;
  private final Map<Leaf, Verdict> memory = new HashMap<>();

  SimpleWorld(List<CourseDesign> designs) {
    this.designs = designs;
    design = designs.getFirst();
  }

  void live(List<Fact> all, Instant until) {
    List<Fact> standing = standing(all);
    now = standing.getFirst().at();
    settle();
    for (Fact fact : standing) {
      pass(fact.at());
      happened.add(fact);
      if (fact.what() instanceof Fact.CameUnder under) design = designs.get(under.version() - 1);
      if (fact.what() instanceof Fact.StartedAnew anew && design.step(anew.step()).isPresent())
        done.remove(anew.step());
      readAgain();
      settle();
    }
    pass(until);
  }

  /** What counts under the design of now: nothing of a step from before it was started anew. */
  private void readAgain() {
    facts.clear();
    for (Fact fact : happened) {
      if (fact.what() instanceof Fact.StartedAnew anew && design.step(anew.step()).isPresent())
        facts.removeIf(f ->
            f.what() instanceof Fact.OfStrand of && of.step().equals(anew.step())
                || f.what() instanceof Fact.Rated r && r.step().equals(Optional.of(anew.step())));
      facts.add(fact);
    }
  }

  /** Every fact that corrects nothing, with the newest of what corrects it in its place. */
  private static List<Fact> standing(List<Fact> all) {
    Map<FactId, Fact> byId = new HashMap<>();
    all.forEach(f -> byId.put(f.id(), f));
    List<Fact> standing = new ArrayList<>();
    for (Fact root : all) {
      if (root.replaces().isPresent()) continue;
      Fact newest = root;
      for (Fact f : all) {
        Fact up = f;
        while (up.replaces().isPresent()) up = byId.get(up.replaces().get());
        boolean later =
            f.at().isAfter(newest.at())
                || (f.at().equals(newest.at()) && f.id().compareTo(newest.id()) > 0);
        if (up.equals(root) && later) newest = f;
      }
      if (!(newest.what() instanceof Fact.TakenBack))
        standing.add(new Fact(root.id(), root.at(), newest.by(), newest.what(), newest.replaces()));
    }
    standing.sort(Comparator.comparing(Fact::at).thenComparing(Fact::id));
    return standing;
  }

  /** Stops at every moment that any rule could mean. */
  private void pass(Instant until) {
    for (Instant next = nextMoment(until); next != null; next = nextMoment(until)) {
      now = next;
      settle();
    }
    if (until.isAfter(now)) now = until;
    settle();
  }

  private Instant nextMoment(Instant until) {
    var moments = new TreeSet<Instant>();
    List<Condition> rules = new ArrayList<>();
    for (CourseModule m : design.modules()) {
      m.opensWhen().ifPresent(rules::add);
      m.doneWhen().ifPresent(rules::add);
      for (Step s : m.steps()) {
        s.opensWhen().ifPresent(rules::add);
        rules.add(s.doneWhen());
        s.window().from().ifPresent(moments::add);
        until(s).ifPresent(moments::add);
        takes(s).ifPresent(moments::add);
      }
    }
    design.badges().forEach(b -> b.earnedWhen().ifPresent(rules::add));
    for (Badge b : design.badges()) {
      badgeEnds(b).ifPresent(moments::add);
      if (b.validity().lasting() instanceof Until last) moments.add(end(last));
    }
    design.completeWhen().ifPresent(rules::add);
    for (Condition rule : rules)
      rule.nodes()
          .forEach(n -> {
            if (n instanceof Condition.Ask(var _, Leaf.InTime time)) {
              time.from().ifPresent(moments::add);
              time.until().ifPresent(moments::add);
            }
            if (n instanceof Condition.After after && firstMet.containsKey(after.id()))
              moments.add(firstMet.get(after.id()).plus(Duration.ofDays(after.days())));
            if (n instanceof Condition.Ask(var _, Leaf.EnrolledFor e))
              enrolled().ifPresent(at -> moments.add(at.plus(Duration.ofDays(e.days()))));
            if (n instanceof Condition.Ask(var _, Leaf.DaysSinceDone d)
                && done.containsKey(d.step()))
              moments.add(done.get(d.step()).plus(Duration.ofDays(d.days())));
          });
    return moments.stream()
        .filter(m -> m.isAfter(now) && !m.isAfter(until))
        .findFirst()
        .orElse(null);
  }

  private int kept() {
    return opened.size()
        + granted.size()
        + done.size()
        + moduleGranted.size()
        + moduleDone.size()
        + earned.size()
        + firstMet.size()
        + (completed.isPresent() ? 1 : 0);
  }

  private void settle() {
    int kept;
    do {
      kept = kept();
      open.clear();
      canOpen.clear();
      byWaiver.clear();
      within.clear();
      memory.clear();
      do {
        changed = false;
        everything();
      } while (changed);
    } while (kept != kept());
    for (CourseModule m : design.modules()) {
      if (!m.gate().staysOpen() && !open.contains(m.id())) moduleGranted.remove(m.id());
      for (Step s : m.steps())
        if (!s.gate().staysOpen() && !open.contains(s.id())) granted.remove(s.id());
    }
  }

  private void everything() {
    for (CourseModule module : design.modules()) {
      door(module);
      for (Step step : module.steps()) step(module, step);
      module(module);
    }
    design.badges().forEach(this::badge);
    Verdict complete = verdict(completeWhen());
    boolean leavingCounts = completeWhen().toString().contains("HasLeft");
    if (complete == Verdict.MET && (!left() || leavingCounts) && completed.isEmpty()) {
      completed = Optional.of(now);
      change();
    }
    if (complete != Verdict.OUT_OF_REACH) put(within, design.id());
  }

  private void door(CourseModule m) {
    Optional<Verdict> rule = m.opensWhen().map(this::verdict);
    boolean stays = moduleGranted.containsKey(m.id()) && m.gate().staysOpen();
    boolean isOpen = m.published() && !left() && (stays || rule.map(this::holds).orElse(true));
    if (isOpen) {
      put(open, m.id());
      if (rule.map(v -> v == Verdict.MET).orElse(true)) put(moduleGranted, m.id());
    }
    boolean hopeless = rule.map(v -> v == Verdict.OUT_OF_REACH).orElse(false);
    if (m.published() && (stays || !hopeless)) put(canOpen, m.id());
  }

  private List<Step> stepsBefore(CourseModule m, Step s) {
    List<CourseModule> ordered =
        design.order() == CourseDesign.Order.STRICT
            ? design.modules()
            : m.strictOrder() ? List.of(m) : List.of();
    return ordered.stream()
        .flatMap(o -> o.steps().stream().map(b -> Map.entry(o.published() && b.published(), b)))
        .takeWhile(b -> !b.getValue().id().equals(s.id()))
        .filter(Map.Entry::getKey)
        .map(Map.Entry::getValue)
        .toList();
  }

  private void step(CourseModule m, Step s) {
    Optional<Verdict> rule = s.opensWhen().map(this::verdict);
    List<Step> before = stepsBefore(m, s).stream().filter(Step::required).toList();
    List<Step> waitedFor =
        before.stream()
            .filter(b -> !done.containsKey(b.id()))
            .filter(b -> !byWaiver.contains(b.id()) && isFor(b) && !excused(b.id()))
            .toList();
    boolean turn = waitedFor.isEmpty();
    boolean begun = s.window().from().map(f -> !now.isBefore(f)).orElse(true);
    boolean byRule = rule.map(this::holds).orElse(true) && turn && begun;
    boolean stays = granted.containsKey(s.id()) && s.gate().staysOpen();
    List<Fact.What> openings = grants(s.id(), Fact.Opened.class, Fact.Grant.OPENED);
    boolean excepted =
        !openings.isEmpty()
            && ((Fact.Opened) openings.getLast()).until().map(now::isBefore).orElse(true);
    boolean usual = open.contains(m.id()) && (byRule || stays) && !over(s);
    if (exists(m, s) && !left() && (excepted || usual)) {
      put(open, s.id());
      put(opened, s.id());
      boolean met = rule.map(v -> v == Verdict.MET).orElse(true);
      boolean someDone =
          before.isEmpty() || before.stream().anyMatch(b -> done.containsKey(b.id()));
      if (byRule && met && someDone && open.contains(m.id()) && moduleGranted.containsKey(m.id()))
        put(granted, s.id());
    }
    boolean hopeless =
        rule.map(v -> v == Verdict.OUT_OF_REACH).orElse(false)
            || waitedFor.stream().anyMatch(b -> lost(b.id()));
    boolean can = (stays || !hopeless) && canOpen.contains(m.id());
    boolean inTime = !over(s) && takes(s).map(now::isBefore).orElse(true);
    if (exists(m, s) && (excepted || (inTime && (open.contains(s.id()) || can))))
      put(canOpen, s.id());

    Verdict is = verdict(s.doneWhen());
    boolean was = exists(m, s) && opened.containsKey(s.id());
    if (was && !left() && is == Verdict.MET) put(done, s.id());
    if (was && is == Verdict.WAIVED && !done.containsKey(s.id())) put(byWaiver, s.id());
    boolean settled = done.containsKey(s.id()) || byWaiver.contains(s.id());
    boolean reachable =
        is != Verdict.OUT_OF_REACH && (canOpen.contains(s.id()) || opened.containsKey(s.id()));
    if (settled || reachable) put(within, s.id());
  }

  private void module(CourseModule m) {
    Verdict is = verdict(doneWhen(m));
    boolean any = m.published() && m.steps().stream().anyMatch(s -> exists(m, s));
    if (any && !left() && is == Verdict.MET) put(moduleDone, m.id());
    if (moduleDone.containsKey(m.id())) byWaiver.remove(m.id());
    else if (m.published() && (!any || is == Verdict.WAIVED)) put(byWaiver, m.id());
    boolean settled = moduleDone.containsKey(m.id()) || byWaiver.contains(m.id());
    if (settled || (m.published() && is != Verdict.OUT_OF_REACH)) put(within, m.id());
  }

  private void badge(Badge b) {
    if (b.earnedWhen().isEmpty()) {
      put(within, b.id());
      return;
    }
    Verdict is = verdict(b.earnedWhen().get());
    boolean person = held(b.id()).equals("by hand") || held(b.id()).equals("revoked");
    boolean had = held(b.id()).startsWith("by") || earned.containsKey(b.id());
    boolean tooLate = !had && b.validity().lasting() instanceof Until u && !now.isBefore(end(u));
    if (is == Verdict.MET && !left() && !person && !tooLate) put(earned, b.id());
    boolean over = badgeEnds(b).filter(end -> !now.isBefore(end)).isPresent();
    boolean gone = tooLate || (over && b.validity().renewal().isEmpty());
    if (holdsBadge(b.id()) || (is != Verdict.OUT_OF_REACH && !gone)) put(within, b.id());
  }

  private static Condition doneWhen(CourseModule m) {
    return m.doneWhen()
        .orElseGet(() ->
            all(
                m.steps().stream()
                    .filter(s -> s.required() && s.published())
                    .map(s -> Workshop.ask(new Leaf.StepDone(s.id())))
                    .toArray(Condition[]::new)));
  }

  private Condition completeWhen() {
    return design
        .completeWhen()
        .orElseGet(() ->
            all(
                design.modules().stream()
                    .filter(CourseModule::published)
                    .map(m -> Workshop.ask(new Leaf.ModuleDone(m.id())))
                    .toArray(Condition[]::new)));
  }

  private <I> void put(Map<I, Instant> map, I id) {
    if (map.putIfAbsent(id, now) == null) change();
  }

  private void put(Set<Object> set, Object id) {
    if (set.add(id)) change();
  }

  private void change() {
    changed = true;
    memory.clear();
  }

  private boolean exists(CourseModule m, Step s) {
    return m.published() && s.published() && isFor(s);
  }

  boolean isFor(Step s) {
    Step.Audience audience = s.audience();
    return audience.everyone()
        || audience.people().contains(JUNO)
        || audience.groups().stream().anyMatch(this::in);
  }

  private Optional<Instant> until(Step s) {
    return s.window().until().map(u -> laterIfMoved(s, u));
  }

  private Optional<Instant> takes(Step s) {
    return s.window().late().map(u -> laterIfMoved(s, u));
  }

  private Instant laterIfMoved(Step s, Instant end) {
    return movedDue(s.id()).filter(moved -> moved.isAfter(end)).orElse(end);
  }

  private boolean over(Step step) {
    return until(step).map(u -> !now.isBefore(u)).orElse(false);
  }

  boolean open(StepId step) {
    return open.contains(step);
  }

  boolean nothingToDo(ModuleId module) {
    return byWaiver.contains(module);
  }

  boolean doneByWaiver(StepId step) {
    return byWaiver.contains(step);
  }

  boolean lost(StepId id) {
    return !within.contains(id);
  }

  private boolean holds(Verdict verdict) {
    return verdict == Verdict.MET || verdict == Verdict.WAIVED;
  }

  private Verdict verdict(Condition node) {
    if (node instanceof Condition.Ask ask) {
      Verdict known = memory.get(ask.leaf());
      if (known == null) {
        known = ask(ask.leaf());
        memory.put(ask.leaf(), known);
      }
      return known;
    }
    if (node instanceof Condition.After after) return verdict(after);
    List<Condition> parts =
        node.parts().stream().filter(p -> verdict(p) != Verdict.WAIVED).toList();
    if (parts.isEmpty()) return Verdict.WAIVED;
    long met = parts.stream().filter(p -> verdict(p) == Verdict.MET).count();
    long lost = parts.stream().filter(p -> verdict(p) == Verdict.OUT_OF_REACH).count();
    return switch (node) {
      case Condition.All _ -> count(met, lost, parts.size(), parts.size());
      case Condition.Any _ -> count(met, lost, 1, parts.size());
      case Condition.AtLeast some ->
          count(met, lost, Math.min(some.n(), parts.size()), parts.size());
      case Condition.None _ ->
          parts.stream().anyMatch(this::forGood)
              ? Verdict.OUT_OF_REACH
              : met > 0 ? Verdict.NOT_YET : Verdict.MET;
      case Condition.Ask _, Condition.After _ -> throw new IllegalStateException();
    };
  }

  private Verdict verdict(Condition.After after) {
    Verdict part = verdict(after.part());
    if (part == Verdict.MET) put(firstMet, after.id());
    Instant since = firstMet.get(after.id());
    if (since == null) return part;
    boolean gone = !now.isBefore(since.plus(Duration.ofDays(after.days())));
    return gone ? Verdict.MET : Verdict.NOT_YET;
  }

  private static Verdict count(long met, long lost, int n, int all) {
    if (met >= n) return Verdict.MET;
    return all - lost < n ? Verdict.OUT_OF_REACH : Verdict.NOT_YET;
  }

  private boolean forGood(Condition node) {
    if (verdict(node) != Verdict.MET) return false;
    List<Condition> parts =
        node.parts().stream().filter(p -> verdict(p) != Verdict.WAIVED).toList();
    long lasting = parts.stream().filter(this::forGood).count();
    return switch (node) {
      case Condition.Ask ask ->
          switch (ask.leaf()) {
            case Leaf.AttendanceRate _, Leaf.InGroup _, WorkLeaf.Marked _ -> false;
            case Leaf.GradeAtLeast _, Leaf.HasLeft _ -> false;
            case MarkLeaf.NotPassed _, Leaf.LevelBelow _, Leaf.EvidenceCount _ -> false;
            case Leaf.LevelAtLeast l -> l.outcome().equals(BRAKE);
            case Leaf.AtMastery l -> l.outcome().equals(BRAKE);
            case MarkLeaf.Score s -> s.to() >= 1;
            case Leaf.InTime t -> t.until().isEmpty();
            default -> true;
          };
      case Condition.All _ -> lasting == parts.size();
      case Condition.Any _ -> lasting >= 1;
      case Condition.AtLeast some -> lasting >= Math.min(some.n(), parts.size());
      case Condition.After _ -> true;
      case Condition.None _ -> parts.stream().allMatch(p -> verdict(p) == Verdict.OUT_OF_REACH);
    };
  }

  private Verdict ask(Leaf leaf) {
    return switch (leaf) {
      case Leaf.OfStep of -> {
        Optional<Step> step = design.step(of.step());
        if (step.isPresent() && !isFor(step.get())) yield Verdict.WAIVED;
        Verdict is = askStep(of);
        yield is != Verdict.MET && excused(of.step()) ? Verdict.WAIVED : is;
      }
      case Leaf.EnrolledFor l ->
          met(
              enrolled()
                  .filter(at -> !now.isBefore(at.plus(Duration.ofDays(l.days()))))
                  .isPresent());
      case Leaf.ModuleDone l -> {
        if (moduleDone.containsKey(l.module())) yield Verdict.MET;
        if (byWaiver.contains(l.module())) yield Verdict.WAIVED;
        yield within.contains(l.module()) ? Verdict.NOT_YET : Verdict.OUT_OF_REACH;
      }
      case Leaf.ModuleCount l -> ofSteps(l.module(), l.steps(), 0);
      case Leaf.ModuleShare l -> ofSteps(l.module(), 0, l.share());
      case Leaf.QuizzesScored l -> quizzes(l);
      case Leaf.HoldsBadge l -> {
        if (holdsBadge(l.badge())) yield Verdict.MET;
        boolean byHand = design.badge(l.badge()).orElseThrow().earnedWhen().isEmpty();
        if (byHand || held(l.badge()).equals("revoked")) yield Verdict.NOT_YET;
        yield within.contains(l.badge()) ? Verdict.NOT_YET : Verdict.OUT_OF_REACH;
      }
      case Leaf.CourseComplete l -> {
        if (!l.course().equals(design.id()))
          yield met(
              facts.stream()
                  .anyMatch(f ->
                      f.what() instanceof Fact.CompletedCourse c && c.course().equals(l.course())));
        if (completed.isPresent()) yield Verdict.MET;
        yield within.contains(design.id()) ? Verdict.NOT_YET : Verdict.OUT_OF_REACH;
      }
      case Leaf.InGroup l -> met(in(l.group()));
      case Leaf.InTime l -> {
        if (l.from().filter(now::isBefore).isPresent()) yield Verdict.NOT_YET;
        yield l.until().filter(u -> !now.isBefore(u)).isPresent()
            ? Verdict.OUT_OF_REACH
            : Verdict.MET;
      }
      case Leaf.AttendanceRate l -> {
        List<StatusId> count =
            marks().stream().filter(s -> !s.equals(Workshop.WITH_NOTICE)).toList();
        yield met(!count.isEmpty() && there() >= l.share() * count.size() - 1e-9);
      }
      case Leaf.SessionsAttended l -> met(there() >= l.sessions());
      case Leaf.SessionAttended l -> met(there(l.session()));
      case Leaf.InARow l -> met(inARow(l) >= l.times());
      case Leaf.Approved l ->
          met(
              facts.stream()
                  .anyMatch(f -> f.what() instanceof Fact.Approved a && a.kind() == l.by()));
      case Leaf.OwnWord _ -> met(facts.stream().anyMatch(f -> f.what() instanceof Fact.OwnWord));
      case Leaf.HasLeft _ -> met(left());
      case Leaf.GradeAtLeast l -> met(grade() >= l.share() - 1e-9);
      case Leaf.AtMastery l -> met(level(l.outcome()) >= SCALE.mastery());
      case Leaf.LevelAtLeast l -> met(level(l.outcome()) >= l.level());
      case Leaf.LevelBelow l -> met(level(l.outcome()) >= 0 && level(l.outcome()) < l.level());
      case Leaf.EvidenceCount l ->
          met(pieces(l.outcome()).stream().filter(p -> p >= l.level()).count() >= l.pieces());
      default -> throw new IllegalStateException("not generated: " + leaf);
    };
  }

  private Verdict askStep(Leaf.OfStep leaf) {
    StepId id = leaf.step();
    return switch (leaf) {
      case SeenLeaf.Seen _ -> fact(has(SeenFact.Saw.class, id), id);
      case Leaf.StepDone _ -> {
        if (done.containsKey(id)) yield Verdict.MET;
        if (byWaiver.contains(id)) yield Verdict.WAIVED;
        yield lost(id) ? Verdict.OUT_OF_REACH : Verdict.NOT_YET;
      }
      case Leaf.DaysSinceDone l -> {
        if (done.containsKey(id))
          yield met(!now.isBefore(done.get(id).plus(Duration.ofDays(l.days()))));
        if (byWaiver.contains(id)) yield Verdict.WAIVED;
        yield lost(id) ? Verdict.OUT_OF_REACH : Verdict.NOT_YET;
      }
      case FilmLeaf.Watched l -> fact(watched(id) >= l.share() - 1e-9, id);
      case TimeLeaf.TimeSpent l ->
          fact(
              of(TimeFact.SpentTime.class, id).stream()
                      .mapToInt(w -> ((TimeFact.SpentTime) w).seconds())
                      .sum()
                  >= l.minutes() * 60,
              id);
      case ConfirmLeaf.Confirmed _ -> fact(has(ConfirmFact.Confirmed.class, id), id);
      case WorkLeaf.HandedIn _ -> fact(version(id) > 0, id);
      case SignOffLeaf.SignedOff _ -> fact(has(SignOffFact.SignedOff.class, id), id);
      case AttemptLeaf.Attempted l -> {
        long made = of(AttemptFact.FinishedAttempt.class, id).size();
        if (made >= l.times()) yield Verdict.MET;
        yield attemptsLeft(id) < l.times() - made ? Verdict.OUT_OF_REACH : fact(false, id);
      }
      case AttemptLeaf.OnDays l -> {
        long days = attemptDays(id);
        if (days >= l.days()) yield Verdict.MET;
        yield attemptsLeft(id) < l.days() - days ? Verdict.OUT_OF_REACH : fact(false, id);
      }
      case AttemptLeaf.Improved l -> {
        List<Double> shares = shares(id);
        if (shares.isEmpty()) yield attemptsLeft(id) < 2 ? Verdict.OUT_OF_REACH : fact(false, id);
        double first = shares.getFirst();
        if (best(id).orElseThrow() - first >= l.by() - 1e-9) yield Verdict.MET;
        boolean never = first + l.by() > 1 + 1e-9 || attemptsLeft(id) == 0;
        yield never ? Verdict.OUT_OF_REACH : fact(false, id);
      }
      case PostLeaf.Posted l -> fact(of(PostFact.Posted.class, id).size() >= l.times(), id);
      case PostLeaf.Replied l -> fact(of(PostFact.Replied.class, id).size() >= l.times(), id);
      case WorkLeaf.Marked _ -> marked(id) ? Verdict.MET : waitingOr(id);
      case MarkLeaf.Passed _ -> {
        if (passed(id)) yield Verdict.MET;
        if (waiting(id)) yield Verdict.NOT_YET;
        yield usedUp(id) ? Verdict.OUT_OF_REACH : fact(false, id);
      }
      case MarkLeaf.NotPassed _ -> {
        if (passed(id)) yield Verdict.OUT_OF_REACH;
        yield marked(id) ? Verdict.MET : waitingOr(id);
      }
      case MarkLeaf.Score l -> {
        Optional<Double> score = score(id);
        if (score.isPresent() && score.get() > l.to() + 1e-9) yield Verdict.OUT_OF_REACH;
        if (score.isPresent() && score.get() >= l.from() - 1e-9) yield Verdict.MET;
        if (waiting(id)) yield Verdict.NOT_YET;
        yield usedUp(id) ? Verdict.OUT_OF_REACH : fact(false, id);
      }
    };
  }

  private Verdict ofSteps(ModuleId id, int count, double share) {
    CourseModule module = design.module(id).orElseThrow();
    List<Step> those =
        module.steps().stream()
            .filter(s -> s.required() && s.published() && isFor(s))
            .filter(s -> done.containsKey(s.id()) || !excused(s.id()))
            .filter(s -> !byWaiver.contains(s.id()))
            .toList();
    if (those.isEmpty()) return Verdict.WAIVED;
    long met = those.stream().filter(s -> done.containsKey(s.id())).count();
    long lost = those.stream().filter(s -> lost(s.id())).count();
    int needed =
        count > 0 ? Math.min(count, those.size()) : (int) Math.ceil(share * those.size() - 1e-9);
    return count(met, lost, needed, those.size());
  }

  private Verdict quizzes(Leaf.QuizzesScored leaf) {
    List<Verdict> each =
        design.modules().stream()
            .filter(m -> leaf.module().map(m.id()::equals).orElse(true))
            .flatMap(m -> m.steps().stream())
            .filter(s -> s.kind() == StepKind.QUIZ && s.required() && s.published())
            .filter(s -> s.scoring().points() > 0)
            .map(s -> ask(new MarkLeaf.Score(s.id(), leaf.share(), 1)))
            .filter(v -> v != Verdict.WAIVED)
            .toList();
    if (each.isEmpty()) return Verdict.WAIVED;
    if (each.contains(Verdict.OUT_OF_REACH)) return Verdict.OUT_OF_REACH;
    return met(each.stream().allMatch(v -> v == Verdict.MET));
  }

  private double grade() {
    double of = 0;
    double reached = 0;
    for (CourseModule m : design.modules())
      for (Step s : m.steps())
        if (m.published() && s.published() && score(s.id()).isPresent()) {
          of += s.scoring().points();
          reached += s.scoring().points() * score(s.id()).get();
        }
    return of == 0 ? 0 : reached / of;
  }

  private Verdict waitingOr(StepId id) {
    return waiting(id) ? Verdict.NOT_YET : fact(false, id);
  }

  private static Verdict met(boolean met) {
    return met ? Verdict.MET : Verdict.NOT_YET;
  }

  private Verdict fact(boolean there, StepId step) {
    if (there) return Verdict.MET;
    return canOpen.contains(step) ? Verdict.NOT_YET : Verdict.OUT_OF_REACH;
  }

  // --- facts ------------------------------------------------------------------------------------
  private List<Fact.What> of(Class<?> kind, StepId id) {
    return facts.stream()
        .map(Fact::what)
        .filter(w -> kind.isInstance(w) && ((Fact.AtStep) w).step().equals(id))
        .toList();
  }

  private boolean has(Class<?> kind, StepId id) {
    return !of(kind, id).isEmpty();
  }

  /** Whether an exception was given and has not ended since. */
  private boolean excepted(StepId id, Class<?> kind, Fact.Grant grant) {
    return !grants(id, kind, grant).isEmpty();
  }

  private List<Fact.What> grants(StepId id, Class<?> kind, Fact.Grant grant) {
    List<Fact.What> standing = new ArrayList<>();
    for (Fact fact : facts) {
      if (!(fact.what() instanceof Fact.AtStep at) || !at.step().equals(id)) continue;
      if (kind.isInstance(at)) standing.add(at);
      if (at instanceof Fact.ExceptionEnded ended && ended.grant() == grant) standing.clear();
    }
    return standing;
  }

  private boolean excused(StepId id) {
    return excepted(id, Fact.Excused.class, Fact.Grant.EXCUSED);
  }

  private Optional<Instant> movedDue(StepId id) {
    List<Fact.What> moved = grants(id, Fact.DueMoved.class, Fact.Grant.DUE_MOVED);
    if (!moved.isEmpty()) return Optional.of(((Fact.DueMoved) moved.getLast()).due());
    Optional<Instant> everybodys = design.step(id).orElseThrow().window().due();
    return allowances(id).stream()
        .flatMap(a -> a.due().stream())
        .max(Comparator.naturalOrder())
        .filter(at -> everybodys.isEmpty() || at.isAfter(everybodys.get()));
  }

  private boolean in(GroupId group) {
    boolean in = false;
    for (Fact fact : facts) {
      if (fact.what() instanceof Fact.JoinedGroup j && j.group().equals(group)) in = true;
      if (fact.what() instanceof Fact.LeftGroup l && l.group().equals(group)) in = false;
    }
    return in;
  }

  private boolean left() {
    boolean left = false;
    for (Fact fact : facts) {
      if (fact.what() instanceof Fact.Enrolled) left = false;
      if (fact.what() instanceof Fact.LeftCourse) left = true;
    }
    return left;
  }

  private Optional<Instant> enrolled() {
    return facts.stream()
        .filter(f -> f.what() instanceof Fact.Enrolled)
        .map(Fact::at)
        .reduce((_, b) -> b);
  }

  private Instant end(Until last) {
    return last.day().plusDays(1).atStartOfDay(design.zone()).toInstant();
  }

  /** "not", "by rule", "by hand" or "revoked". */
  private String held(BadgeId badge) {
    String held = "not";
    for (Fact fact : facts) {
      if (fact.what() instanceof Fact.BadgeIssued i && i.badge().equals(badge))
        if (fact.by().isPresent()) held = "by hand";
        else if (!held.equals("by hand")) held = "by rule";
      if (fact.what() instanceof Fact.BadgeKept k && k.badge().equals(badge)) held = "by hand";
      if (fact.what() instanceof Fact.BadgeRevoked r && r.badge().equals(badge)) held = "revoked";
    }
    return held;
  }

  private boolean holdsBadge(BadgeId badge) {
    boolean had =
        held(badge).startsWith("by")
            || (earned.containsKey(badge) && !held(badge).equals("revoked"));
    return had
        && badgeEnds(design.badge(badge).orElseThrow()).filter(e -> !now.isBefore(e)).isEmpty();
  }

  private Optional<Instant> badgeEnds(Badge badge) {
    if (held(badge.id()).startsWith("by"))
      return facts.stream()
          .flatMap(f ->
              f.what() instanceof Fact.BadgeIssued i && i.badge().equals(badge.id())
                  ? Stream.of(i.until())
                  : Stream.empty())
          .reduce((_, last) -> last)
          .flatMap(end -> end);
    return Optional.ofNullable(earned.get(badge.id()))
        .flatMap(at -> badge.validity().end(at, design.zone()));
  }

  private int version(StepId id) {
    List<Fact.What> in = of(WorkFact.HandedIn.class, id);
    return in.isEmpty() ? 0 : ((WorkFact.HandedIn) in.getLast()).version();
  }

  private Optional<WorkFact.Marked> mark(StepId id) {
    List<Fact.What> marks = of(WorkFact.Marked.class, id);
    return marks.isEmpty() ? Optional.empty() : Optional.of((WorkFact.Marked) marks.getLast());
  }

  private boolean waiting(StepId id) {
    return version(id) > 0 && mark(id).map(m -> m.version() < version(id)).orElse(true);
  }

  private boolean marked(StepId id) {
    return has(AttemptFact.FinishedAttempt.class, id)
        || mark(id).map(m -> m.version() >= version(id)).orElse(false);
  }

  private boolean passed(StepId id) {
    return mark(id).map(m -> m.judgement() == Judgement.PASSED).orElse(false)
        || best(id).map(b -> b >= 0.5 - 1e-9).orElse(false);
  }

  private Optional<Double> score(StepId id) {
    Optional<Double> points = mark(id).filter(m -> m.of() > 0).map(m -> m.points() / m.of());
    return points.isPresent() ? points : best(id);
  }

  private boolean usedUp(StepId id) {
    return has(AttemptFact.FinishedAttempt.class, id) && attemptsLeft(id) == 0;
  }

  private long attemptsLeft(StepId id) {
    int allowed = design.step(id).orElseThrow().scoring().attempts();
    if (allowed == 0) return Integer.MAX_VALUE;
    long extra =
        grants(id, Fact.AttemptsAdded.class, Fact.Grant.ATTEMPTS).stream()
            .mapToLong(w -> ((Fact.AttemptsAdded) w).attempts())
            .sum();
    long most = allowances(id).stream().mapToLong(Step.Allowance::attempts).max().orElse(0);
    return Math.max(0, allowed + extra + most - of(AttemptFact.FinishedAttempt.class, id).size());
  }

  private List<Step.Allowance> allowances(StepId id) {
    return design.step(id).orElseThrow().allowances().stream().filter(a -> in(a.group())).toList();
  }

  private List<Double> shares(StepId id) {
    return of(AttemptFact.FinishedAttempt.class, id).stream()
        .map(w ->
            ((AttemptFact.FinishedAttempt) w).points() / ((AttemptFact.FinishedAttempt) w).of())
        .toList();
  }

  private Optional<Double> best(StepId id) {
    return shares(id).stream().max(Double::compare);
  }

  private long attemptDays(StepId id) {
    return facts.stream()
        .filter(f -> f.what() instanceof AttemptFact.FinishedAttempt a && a.step().equals(id))
        .map(f -> LocalDate.ofInstant(f.at(), design.zone()))
        .distinct()
        .count();
  }

  /** The newest mark of each session. */
  private List<StatusId> marks() {
    Map<SessionId, StatusId> marks = new HashMap<>();
    for (Fact fact : facts)
      if (fact.what() instanceof Fact.Attendance a) marks.put(a.session(), a.status());
    return List.copyOf(marks.values());
  }

  private boolean there(SessionId session) {
    Optional<StatusId> newest = Optional.empty();
    for (Fact fact : facts)
      if (fact.what() instanceof Fact.Attendance a && a.session().equals(session))
        newest = Optional.of(a.status());
    return newest
        .filter(Set.of(Workshop.PRESENT, Workshop.LATE, Workshop.LEFT_EARLY)::contains)
        .isPresent();
  }

  /** The longest row, looked for from each day or week on which the learner was there. */
  private int inARow(Leaf.InARow leaf) {
    Set<LocalDate> there = new HashSet<>();
    for (Fact fact : happened)
      if (here(fact.what())) {
        LocalDate day = LocalDate.ofInstant(fact.at(), design.zone());
        there.add(leaf.rhythm() == Rhythm.DAYS ? day : day.with(DayOfWeek.MONDAY));
      }
    int most = 0;
    for (LocalDate first : there) {
      int row = 0;
      for (LocalDate day = first; there.contains(day); row++)
        day = leaf.rhythm() == Rhythm.DAYS ? day.plusDays(1) : day.plusWeeks(1);
      most = Math.max(most, row);
    }
    return most;
  }

  private boolean here(Fact.What what) {
    return switch (what) {
      case Fact.WasHere _, Fact.OwnWord _ -> true;
      case Fact.OfStrand of -> of.here() && design.step(of.step()).isPresent();
      default -> false;
    };
  }

  private long there() {
    return marks().stream()
        .filter(Set.of(Workshop.PRESENT, Workshop.LATE, Workshop.LEFT_EARLY)::contains)
        .count();
  }

  /** Every second of the newest film is looked for in every fact about it. */
  private double watched(StepId id) {
    List<FilmFact.Watched> parts = new ArrayList<>();
    for (Fact.What what : of(FilmFact.Watched.class, id)) {
      var w = (FilmFact.Watched) what;
      if (!parts.isEmpty() && parts.getLast().of() != w.of()) parts.clear();
      parts.add(w);
    }
    if (parts.isEmpty()) return 0;
    int of = parts.getLast().of();
    int seen = 0;
    for (int second = 0; second < of; second++) {
      int now = second;
      if (parts.stream().anyMatch(w -> w.from() <= now && now < w.to())) seen++;
    }
    return (double) seen / of;
  }

  /** -1 without evidence; the best piece for BRAKE, the newest for SAFE, both for the whole. */
  private int level(OutcomeId outcome) {
    List<Integer> pieces = pieces(outcome);
    if (outcome.equals(BRAKE)) return pieces.stream().max(Comparator.naturalOrder()).orElse(-1);
    if (outcome.equals(SAFE)) return pieces.isEmpty() ? -1 : pieces.getLast();
    int brake = level(BRAKE);
    int safe = level(SAFE);
    int at = (brake >= SCALE.mastery() ? 1 : 0) + (safe >= SCALE.mastery() ? 1 : 0);
    if (brake < 0 && safe < 0) return -1;
    return at == 2 ? Math.min(brake, safe) : at;
  }

  /** The levels of the pieces that stand, in the order in which they came. */
  private List<Integer> pieces(OutcomeId outcome) {
    if (!outcome.equals(BRAKE) && !outcome.equals(SAFE)) {
      List<Integer> both = new ArrayList<>(pieces(BRAKE));
      both.addAll(pieces(SAFE));
      return both;
    }
    Map<String, Integer> pieces = new LinkedHashMap<>();
    Map<StepId, Double> best = new HashMap<>();
    for (Fact fact : facts) {
      if (fact.what() instanceof Fact.Rated r && r.outcome().equals(outcome)) {
        String of =
            r.step()
                .filter(s -> design.step(s).isPresent())
                .map(s -> s + "/" + r.version())
                .orElse("fact " + fact.id());
        pieces.remove(of);
        pieces.put(of, r.level());
      }
      if (fact.what() instanceof AttemptFact.FinishedAttempt a
          && design
              .step(a.step())
              .filter(s -> s.evidenceFor().stream().anyMatch(t -> t.outcome().equals(outcome)))
              .isPresent()) {
        double score = a.points() / a.of();
        if (score <= best.getOrDefault(a.step(), -1.0)) continue;
        best.put(a.step(), score);
        pieces.remove(a.step() + "/0");
        pieces.put(a.step() + "/0", score >= 0.5 ? 2 : score >= 0.25 ? 1 : 0);
      }
    }
    return List.copyOf(pieces.values());
  }
}
