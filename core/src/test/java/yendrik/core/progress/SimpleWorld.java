package yendrik.core.progress;

import static yendrik.core.Workshop.BRAKE;
import static yendrik.core.Workshop.SAFE;
import static yendrik.core.Workshop.SCALE;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.BadgeId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.check.Rules;

/**
 * The same rules once more, written to be read and not to be fast: no numbers, no arrays, no
 * dependencies; every question goes through the list of facts, and everything is asked again until
 * nothing changes.
 */
final class SimpleWorld {
  private final CourseDesign design;
  private final List<Fact> facts = new ArrayList<>();
  final Map<StepId, Instant> opened = new HashMap<>();
  final Map<StepId, Instant> done = new HashMap<>();
  final Map<ModuleId, Instant> moduleOpened = new HashMap<>();
  final Map<ModuleId, Instant> moduleDone = new HashMap<>();
  final Map<BadgeId, Instant> earned = new HashMap<>();
  private Instant now = Instant.MIN;
  private boolean changed;
  private final Map<NodeId, Verdict> memory = new HashMap<>();

  SimpleWorld(CourseDesign design) {
    this.design = design;
  }

  void live(List<Fact> all, Instant until) {
    List<Fact> sorted = new ArrayList<>(all);
    sorted.sort(Comparator.comparing(Fact::at).thenComparing(Fact::id));
    for (Fact fact : sorted) {
      pass(fact.at());
      facts.add(fact);
      settle();
    }
    pass(until);
  }

  /** Stops at every moment that any rule could mean. */
  private void pass(Instant until) {
    for (Instant next = nextMoment(until); next != null; next = nextMoment(until)) {
      now = next;
      settle();
    }
    now = until;
    settle();
  }

  private Instant nextMoment(Instant until) {
    var moments = new TreeSet<Instant>();
    Rules.of(design).values().stream()
        .flatMap(Condition::nodes)
        .forEach(n -> {
          if (n instanceof Condition.Ask(var _, Leaf.InTime time)) {
            time.from().ifPresent(moments::add);
            time.until().ifPresent(moments::add);
          }
          if (n instanceof Condition.Ask(var _, Leaf.EnrolledFor e))
            enrolled().ifPresent(at -> moments.add(at.plus(Duration.ofDays(e.days()))));
          if (n instanceof Condition.Ask(var _, Leaf.DaysSinceDone d) && done.containsKey(d.step()))
            moments.add(done.get(d.step()).plus(Duration.ofDays(d.days())));
        });
    design
        .steps()
        .forEach(s -> {
          s.window().from().ifPresent(moments::add);
          s.window().until().ifPresent(moments::add);
        });
    return moments.stream()
        .filter(m -> m.isAfter(now) && !m.isAfter(until))
        .findFirst()
        .orElse(null);
  }

  private void settle() {
    memory.clear();
    do {
      changed = false;
      for (CourseModule module : design.modules()) {
        if (module.opensWhen().map(this::holds).orElse(true)) put(moduleOpened, module.id());
        for (Step step : module.steps()) {
          boolean from = step.window().from().map(f -> !now.isBefore(f)).orElse(true);
          boolean allowed =
              moduleOpened.containsKey(module.id())
                  && from
                  && step.opensWhen().map(this::holds).orElse(true);
          if (allowed && !over(step)) put(opened, step.id());
          if (!excused(step.id()) && holds(step.doneWhen())) put(done, step.id());
        }
        if (holds(module.doneWhen().orElseGet(() -> Rules.usualModuleDone(module))))
          put(moduleDone, module.id());
      }
      for (var badge : design.badges())
        if (verdict(badge.earnedWhen().orElseThrow()) == Verdict.MET) put(earned, badge.id());
    } while (changed);
  }

  private <I> void put(Map<I, Instant> map, I id) {
    if (map.putIfAbsent(id, now) == null) {
      changed = true;
      memory.clear();
    }
  }

  private boolean over(Step step) {
    return step.window().until().map(u -> !now.isBefore(u)).orElse(false);
  }

  boolean open(Step step) {
    return opened.containsKey(step.id()) && !over(step);
  }

  private boolean holds(Condition rule) {
    return verdict(rule) == Verdict.MET || verdict(rule) == Verdict.WAIVED;
  }

  /** Remembers verdicts until anything changes, since plain asking again takes forever. */
  private Verdict verdict(Condition node) {
    Verdict known = node.parts().isEmpty() ? memory.get(node.id()) : null;
    if (known != null) return known;
    Verdict found = find(node);
    if (node.parts().isEmpty()) memory.put(node.id(), found);
    return found;
  }

  private Verdict find(Condition node) {
    if (node instanceof Condition.Ask ask) return ask(ask.leaf());
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
      case Condition.Ask _ -> throw new IllegalStateException();
    };
  }

  private static Verdict count(long met, long lost, int n, int all) {
    if (met >= n) return Verdict.MET;
    return all - lost < n ? Verdict.OUT_OF_REACH : Verdict.NOT_YET;
  }

  private boolean forGood(Condition node) {
    if (verdict(node) == Verdict.WAIVED) return true;
    if (verdict(node) != Verdict.MET) return false;
    List<Condition> parts =
        node.parts().stream().filter(p -> verdict(p) != Verdict.WAIVED).toList();
    long lasting = parts.stream().filter(this::forGood).count();
    return switch (node) {
      case Condition.Ask ask ->
          switch (ask.leaf()) {
            case Leaf.AttendanceRate _ -> false;
            case Leaf.NotPassed _, Leaf.LevelBelow _, Leaf.EvidenceCount _ -> false;
            case Leaf.LevelAtLeast l -> l.outcome().equals(BRAKE);
            case Leaf.AtMastery l -> l.outcome().equals(BRAKE);
            case Leaf.Score s -> s.to() >= 1;
            case Leaf.InTime t -> t.until().isEmpty();
            default -> true;
          };
      case Condition.All _ -> lasting == parts.size();
      case Condition.Any _ -> lasting >= 1;
      case Condition.AtLeast some -> lasting >= Math.min(some.n(), parts.size());
      case Condition.None _ -> parts.stream().allMatch(p -> verdict(p) == Verdict.OUT_OF_REACH);
    };
  }

  private Verdict ask(Leaf leaf) {
    return switch (leaf) {
      case Leaf.OfStep of when excused(of.step()) -> Verdict.WAIVED;
      case Leaf.Seen l -> fact(has(Fact.Saw.class, l.step()), l.step());
      case Leaf.StepDone l ->
          done.containsKey(l.step())
              ? Verdict.MET
              : lost(l.step()) ? Verdict.OUT_OF_REACH : Verdict.NOT_YET;
      case Leaf.Watched l -> fact(watched(l.step()) >= l.share() - 1e-9, l.step());
      case Leaf.SignedOff l -> fact(has(Fact.SignedOff.class, l.step()), l.step());
      case Leaf.Score l -> score(l);
      case Leaf.NotPassed l -> {
        double pass = step(l.step()).scoring().passMark();
        if (best(l.step()).isEmpty()) yield fact(false, l.step());
        yield best(l.step()).get() < pass - 1e-9 ? Verdict.MET : Verdict.OUT_OF_REACH;
      }
      case Leaf.DaysSinceDone l -> {
        if (!done.containsKey(l.step()))
          yield lost(l.step()) ? Verdict.OUT_OF_REACH : Verdict.NOT_YET;
        yield now.isBefore(done.get(l.step()).plus(Duration.ofDays(l.days())))
            ? Verdict.NOT_YET
            : Verdict.MET;
      }
      case Leaf.EnrolledFor l ->
          enrolled().filter(at -> !now.isBefore(at.plus(Duration.ofDays(l.days())))).isPresent()
              ? Verdict.MET
              : Verdict.NOT_YET;
      case Leaf.ModuleDone l -> {
        if (moduleDone.containsKey(l.module())) yield Verdict.MET;
        var module = design.module(l.module()).orElseThrow();
        boolean gone =
            verdict(module.doneWhen().orElseGet(() -> Rules.usualModuleDone(module)))
                == Verdict.OUT_OF_REACH;
        yield gone ? Verdict.OUT_OF_REACH : Verdict.NOT_YET;
      }
      case Leaf.InTime l -> {
        if (l.from().filter(now::isBefore).isPresent()) yield Verdict.NOT_YET;
        yield l.until().filter(u -> !now.isBefore(u)).isPresent()
            ? Verdict.OUT_OF_REACH
            : Verdict.MET;
      }
      case Leaf.AttendanceRate l -> {
        List<Fact.Presence> count =
            marks().stream().filter(p -> p != Fact.Presence.EXCUSED).toList();
        yield met(!count.isEmpty() && there() >= l.share() * count.size() - 1e-9);
      }
      case Leaf.SessionsAttended l -> met(there() >= l.sessions());
      case Leaf.AtMastery l -> met(level(l.outcome()) >= SCALE.mastery());
      case Leaf.LevelAtLeast l -> met(level(l.outcome()) >= l.level());
      case Leaf.LevelBelow l -> met(level(l.outcome()) >= 0 && level(l.outcome()) < l.level());
      case Leaf.EvidenceCount l ->
          met(pieces(l.outcome()).stream().filter(p -> p >= l.level()).count() >= l.pieces());
      default -> throw new IllegalStateException("not generated: " + leaf);
    };
  }

  /** The newest mark of each session. */
  private List<Fact.Presence> marks() {
    Map<SessionId, Fact.Presence> marks = new HashMap<>();
    for (Fact fact : facts)
      if (fact.what() instanceof Fact.Attendance a) marks.put(a.session(), a.presence());
    return List.copyOf(marks.values());
  }

  private long there() {
    return marks().stream()
        .filter(p -> p == Fact.Presence.PRESENT || p == Fact.Presence.LATE)
        .count();
  }

  /** Every second of the newest film is looked for in every fact about it. */
  private double watched(StepId id) {
    List<Fact.Watched> parts = new ArrayList<>();
    for (Fact fact : facts)
      if (fact.what() instanceof Fact.Watched w && w.step().equals(id)) {
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

  private static Verdict met(boolean met) {
    return met ? Verdict.MET : Verdict.NOT_YET;
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
        String of = r.step().map(s -> s + "/" + r.version()).orElse("fact " + fact.id());
        pieces.remove(of);
        pieces.put(of, r.level());
      }
      if (fact.what() instanceof Fact.FinishedAttempt a
          && step(a.step()).evidenceFor().stream().anyMatch(t -> t.outcome().equals(outcome))) {
        double score = a.points() / a.of();
        if (score <= best.getOrDefault(a.step(), -1.0)) continue;
        best.put(a.step(), score);
        pieces.remove(a.step() + "/0");
        pieces.put(a.step() + "/0", score >= 0.5 ? 2 : score >= 0.25 ? 1 : 0);
      }
    }
    return List.copyOf(pieces.values());
  }

  private Verdict score(Leaf.Score l) {
    Optional<Double> best = best(l.step());
    if (best.isEmpty()) return fact(false, l.step());
    if (best.get() > l.to() + 1e-9) return Verdict.OUT_OF_REACH;
    if (best.get() >= l.from() - 1e-9) return Verdict.MET;
    return attemptsLeft(l.step()) ? fact(false, l.step()) : Verdict.OUT_OF_REACH;
  }

  private boolean attemptsLeft(StepId id) {
    int allowed = step(id).scoring().attempts();
    long extra =
        facts.stream()
            .filter(f -> f.what() instanceof Fact.AttemptsAdded a && a.step().equals(id))
            .mapToLong(f -> ((Fact.AttemptsAdded) f.what()).attempts())
            .sum();
    return allowed == 0 || of(Fact.FinishedAttempt.class, id) < allowed + extra;
  }

  private Verdict fact(boolean there, StepId step) {
    if (there) return Verdict.MET;
    return usable(step(step)) ? Verdict.NOT_YET : Verdict.OUT_OF_REACH;
  }

  private boolean usable(Step step) {
    if (open(step)) return true;
    var module =
        design.modules().stream().filter(m -> m.steps().contains(step)).findFirst().orElseThrow();
    boolean rule = step.opensWhen().map(r -> verdict(r) != Verdict.OUT_OF_REACH).orElse(true);
    boolean door =
        moduleOpened.containsKey(module.id())
            || module.opensWhen().map(r -> verdict(r) != Verdict.OUT_OF_REACH).orElse(true);
    return !over(step) && rule && door;
  }

  boolean lost(StepId id) {
    if (done.containsKey(id)) return false;
    return !usable(step(id)) || verdict(step(id).doneWhen()) == Verdict.OUT_OF_REACH;
  }

  private Optional<Double> best(StepId id) {
    return facts.stream()
        .filter(f -> f.what() instanceof Fact.FinishedAttempt a && a.step().equals(id))
        .map(f ->
            ((Fact.FinishedAttempt) f.what()).points() / ((Fact.FinishedAttempt) f.what()).of())
        .max(Double::compare);
  }

  private boolean has(Class<?> kind, StepId id) {
    return of(kind, id) > 0;
  }

  private long of(Class<?> kind, StepId id) {
    return facts.stream()
        .filter(f -> kind.isInstance(f.what()) && ((Fact.AtStep) f.what()).step().equals(id))
        .count();
  }

  private boolean excused(StepId id) {
    return has(Fact.Excused.class, id);
  }

  private Optional<Instant> enrolled() {
    return facts.stream()
        .filter(f -> f.what() instanceof Fact.Enrolled)
        .map(Fact::at)
        .reduce((_, b) -> b);
  }

  private Step step(StepId id) {
    return design.step(id).orElseThrow();
  }
}
