package yendrik.server.design.copying;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.server.design.Json;

/**
 * A rule taken over into another course: what it asks about goes by other ids there, dates move,
 * and what has not come along is left out.
 *
 * @param rule nothing if nothing of it is left
 * @param left the questions that were left out
 */
record CopiedRule(Optional<Condition> rule, List<Leaf> left) {
  /** What has become of what rules ask about. */
  static final class Names {
    final Map<StepId, StepId> steps = new HashMap<>();
    final Map<ModuleId, ModuleId> modules = new HashMap<>();
    final Map<BadgeId, BadgeId> badges = new HashMap<>();
    final Map<OutcomeId, Outcome> outcomes = new HashMap<>();
    private final CourseId from;
    private final CourseId to;
    private final UnaryOperator<Instant> moved;

    /**
     * @param moved what becomes of a date
     */
    Names(CourseId from, CourseId to, UnaryOperator<Instant> moved) {
      this.from = from;
      this.to = to;
      this.moved = moved;
    }

    UnaryOperator<Instant> moved() {
      return moved;
    }
  }

  static CopiedRule of(Condition rule, Names names) {
    List<Leaf> left = new ArrayList<>();
    Optional<Condition> taken = take(rule, names, left);
    return new CopiedRule(taken, List.copyOf(left));
  }

  private static Optional<Condition> take(Condition node, Names names, List<Leaf> left) {
    if (node instanceof Condition.Ask(var id, Leaf leaf)) {
      Optional<Leaf> taken = take(leaf, names);
      if (taken.isEmpty()) left.add(leaf);
      return taken.map(l -> new Condition.Ask(id, l));
    }
    List<Condition> parts =
        node.parts().stream().flatMap(p -> take(p, names, left).stream()).toList();
    if (parts.isEmpty()) return Optional.empty();
    return Optional.of(
        switch (node) {
          case Condition.Ask ask -> ask;
          case Condition.All all -> new Condition.All(all.id(), parts);
          case Condition.Any any -> new Condition.Any(any.id(), parts);
          case Condition.None none -> new Condition.None(none.id(), parts);
          case Condition.AtLeast some ->
              new Condition.AtLeast(some.id(), Math.min(some.n(), parts.size()), parts);
        });
  }

  private static Optional<Leaf> take(Leaf leaf, Names names) {
    return switch (leaf) {
      case Leaf.OfStrand l -> step(l.step(), names).map(s -> Json.asking(l, l.step(), s));
      case Leaf.StepDone l -> step(l.step(), names).map(Leaf.StepDone::new);
      case Leaf.DaysSinceDone l ->
          step(l.step(), names).map(s -> new Leaf.DaysSinceDone(s, l.days()));
      case Leaf.ModuleDone l -> module(l.module(), names).map(Leaf.ModuleDone::new);
      case Leaf.ModuleCount l ->
          module(l.module(), names).map(m -> new Leaf.ModuleCount(m, l.steps()));
      case Leaf.ModuleShare l ->
          module(l.module(), names).map(m -> new Leaf.ModuleShare(m, l.share()));
      case Leaf.AtMastery l -> outcome(l, names).map(o -> new Leaf.AtMastery(o.id()));
      case Leaf.LevelAtLeast l ->
          outcome(l, l.level(), names).map(o -> new Leaf.LevelAtLeast(o.id(), l.level()));
      case Leaf.LevelBelow l ->
          outcome(l, l.level(), names).map(o -> new Leaf.LevelBelow(o.id(), l.level()));
      case Leaf.EvidenceCount l ->
          outcome(l, l.level(), names)
              .map(o -> new Leaf.EvidenceCount(o.id(), l.pieces(), l.level()));
      case Leaf.HoldsBadge l ->
          Optional.ofNullable(names.badges.get(l.badge())).map(Leaf.HoldsBadge::new);
      case Leaf.CourseComplete l -> course(l, names);
      case Leaf.InTime l ->
          Optional.of(new Leaf.InTime(l.from().map(names.moved), l.until().map(names.moved)));
      // Groups and people are those of a course.
      case Leaf.InGroup _, Leaf.OneOf _ -> Optional.empty();
      case Leaf.AttendanceRate _, Leaf.SessionsAttended _, Leaf.EnrolledFor _ -> Optional.of(leaf);
      case Leaf.Signal _ -> Optional.of(leaf);
    };
  }

  /** Another course is the same for both, unless one would ask for itself. */
  private static Optional<Leaf> course(Leaf.CourseComplete leaf, Names names) {
    if (leaf.course().equals(names.from)) return Optional.of(new Leaf.CourseComplete(names.to));
    return leaf.course().equals(names.to) ? Optional.empty() : Optional.of(leaf);
  }

  private static Optional<StepId> step(StepId step, Names names) {
    return Optional.ofNullable(names.steps.get(step));
  }

  private static Optional<ModuleId> module(ModuleId module, Names names) {
    return Optional.ofNullable(names.modules.get(module));
  }

  private static Optional<Outcome> outcome(Leaf.OfOutcome leaf, Names names) {
    return Optional.ofNullable(names.outcomes.get(leaf.outcome()));
  }

  /** The outcome, if it is rated on a scale that has the level. */
  private static Optional<Outcome> outcome(Leaf.OfOutcome leaf, int level, Names names) {
    return outcome(leaf, names).filter(o -> o.scale().at(level) >= 0);
  }
}
