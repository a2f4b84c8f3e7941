package yendrik.core.rule.check;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.OutcomeId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.strand.StepLeaf;

/**
 * Conditions that make no difference beside another of the same joint: in an <em>all of</em> the
 * looser of two, in an <em>any of</em> and a <em>none of</em> the stricter, and what is asked
 * twice.
 */
public final class Pointless {
  private final CourseDesign design;
  private final Map<NodeId, NodeId> beside = new HashMap<>();

  private Pointless(CourseDesign design) {
    this.design = design;
  }

  /** Each pointless condition of a rule with the one beside which it is so. */
  public static Map<NodeId, NodeId> in(Condition rule, CourseDesign design) {
    var look = new Pointless(design);
    rule.nodes().forEach(look::at);
    return Map.copyOf(look.beside);
  }

  private void at(Condition joint) {
    switch (joint) {
      case Condition.All all -> drop(all.parts(), (one, other) -> implies(other, one));
      case Condition.Any any -> drop(any.parts(), this::implies);
      case Condition.None none -> drop(none.parts(), this::implies);
      case Condition.Ask _, Condition.AtLeast _, Condition.After _ -> {}
    }
  }

  /** Of two that ask the same, the later one is pointless. */
  private void drop(List<Condition> parts, BiPredicate<Leaf, Leaf> needless) {
    for (int i = parts.size() - 1; i >= 0; i--)
      for (int j = 0; j < parts.size(); j++)
        if (i != j
            && parts.get(i) instanceof Condition.Ask(var id, var leaf)
            && parts.get(j) instanceof Condition.Ask(var other, var by)
            && !beside.containsKey(other)
            && needless.test(leaf, by)) beside.putIfAbsent(id, other);
  }

  /** Whether the first cannot be so without the other being so as well. */
  private boolean implies(Leaf one, Leaf other) {
    if (one.equals(other)) return true;
    return switch (one) {
      case Leaf.OfStrand s ->
          other instanceof Leaf.OfStrand o && StepLeaf.of(s).implies(StepLeaf.of(o));
      case Leaf.DaysSinceDone(var step, var days) ->
          other.equals(new Leaf.StepDone(step))
              || other instanceof Leaf.DaysSinceDone(var s, var d) && s.equals(step) && d <= days;
      case Leaf.ModuleCount(var module, var steps) ->
          other instanceof Leaf.ModuleCount(var m, var s) && m.equals(module) && s <= steps;
      case Leaf.ModuleShare(var module, var share) ->
          other instanceof Leaf.ModuleShare(var m, var s) && m.equals(module) && s <= share;
      case Leaf.QuizzesScored(var module, var share) ->
          other instanceof Leaf.QuizzesScored(var m, var s) && m.equals(module) && s <= share;
      case Leaf.LevelAtLeast of -> reaches(of, other);
      case Leaf.AtMastery of -> reaches(of, other);
      case Leaf.LevelBelow below ->
          other instanceof Leaf.LevelBelow o
              && o.outcome().equals(below.outcome())
              && at(below.outcome(), below.level()) <= at(o.outcome(), o.level());
      case Leaf.EvidenceCount(var outcome, var pieces, var level) ->
          other instanceof Leaf.EvidenceCount(var o, var p, var l)
              && o.equals(outcome)
              && p <= pieces
              && l == level;
      case Leaf.AttendanceRate(var share) ->
          other instanceof Leaf.AttendanceRate(var s) && s <= share;
      case Leaf.SessionsAttended(var sessions) ->
          other instanceof Leaf.SessionsAttended(var s) && s <= sessions;
      case Leaf.InARow(var times, var rhythm) ->
          other instanceof Leaf.InARow(var n, var r) && r == rhythm && n <= times;
      case Leaf.GradeAtLeast(var share) -> other instanceof Leaf.GradeAtLeast(var s) && s <= share;
      case Leaf.OneOf(var people) -> other instanceof Leaf.OneOf(var p) && p.containsAll(people);
      case Leaf.EnrolledFor(var days) -> other instanceof Leaf.EnrolledFor(var d) && d <= days;
      case Leaf.InTime in -> other instanceof Leaf.InTime out && within(in, out);
      case Leaf.QuietFor(var days) -> other instanceof Leaf.QuietFor(var d) && d <= days;
      case Leaf.NeverStarted(var days) -> other instanceof Leaf.NeverStarted(var d) && d <= days;
      case Leaf.Overdue(var steps) -> other instanceof Leaf.Overdue(var s) && s <= steps;
      case Leaf.BehindBy(var days) -> other instanceof Leaf.BehindBy(var d) && d <= days;
      case Leaf.StuckFor(var days) -> other instanceof Leaf.StuckFor(var d) && d <= days;
      case Leaf.AttendanceUnder(var share) ->
          other instanceof Leaf.AttendanceUnder(var s) && s >= share;
      case Leaf.NoEvidence(var outcome, var from) ->
          other instanceof Leaf.NoEvidence(var o, var f) && o.equals(outcome) && !f.isAfter(from);
      case Leaf.StepDone _,
          Leaf.ModuleDone _,
          Leaf.CourseComplete _,
          Leaf.SessionAttended _,
          Leaf.Approved _,
          Leaf.OwnWord _,
          Leaf.HasLeft _,
          Leaf.InGroup _,
          Leaf.HoldsBadge _,
          Leaf.RequiredOutOfReach _ ->
          false;
    };
  }

  /** Whether the lowest level at which one is so is one at which the other is so. */
  private boolean reaches(Leaf.OfOutcome one, Leaf other) {
    return other instanceof Leaf.OfOutcome of
        && of.outcome().equals(one.outcome())
        && lowest(of).isPresent()
        && lowest(one).filter(l -> l >= lowest(of).get()).isPresent();
  }

  private static boolean within(Leaf.InTime in, Leaf.InTime out) {
    boolean begins =
        out.from().isEmpty() || in.from().filter(f -> !f.isBefore(out.from().get())).isPresent();
    boolean ends =
        out.until().isEmpty() || in.until().filter(u -> !u.isAfter(out.until().get())).isPresent();
    return begins && ends;
  }

  /** The lowest level at which a question about an outcome is so. */
  private Optional<Integer> lowest(Leaf leaf) {
    return switch (leaf) {
      case Leaf.LevelAtLeast(var outcome, var level) -> Optional.of(at(outcome, level));
      case Leaf.AtMastery(var outcome) -> design.outcome(outcome).map(o -> o.scale().mastery());
      default -> Optional.empty();
    };
  }

  private int at(OutcomeId outcome, int level) {
    return design.outcome(outcome).map(o -> o.scale().at(level)).orElse(-1);
  }
}
