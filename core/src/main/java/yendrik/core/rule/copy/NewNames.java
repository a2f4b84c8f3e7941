package yendrik.core.rule.copy;

import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;
import yendrik.core.rule.Leaf;

/** What the things that rules ask about have become in another course; filled as they come. */
public final class NewNames {
  private final CourseId from;
  private final CourseId to;
  private final UnaryOperator<Instant> moved;
  private final Map<StepId, StepId> steps = new HashMap<>();
  private final Map<ModuleId, ModuleId> modules = new HashMap<>();
  private final Map<BadgeId, BadgeId> badges = new HashMap<>();
  private final Map<OutcomeId, Outcome> outcomes = new HashMap<>();

  /**
   * @param moved what becomes of a date in a rule
   */
  public NewNames(CourseId from, CourseId to, UnaryOperator<Instant> moved) {
    this.from = from;
    this.to = to;
    this.moved = moved;
  }

  public void put(StepId was, StepId is) {
    steps.put(was, is);
  }

  public void put(ModuleId was, ModuleId is) {
    modules.put(was, is);
  }

  public void put(BadgeId was, BadgeId is) {
    badges.put(was, is);
  }

  public void put(OutcomeId was, Outcome is) {
    outcomes.put(was, is);
  }

  /** What a step has become; the sample of a kind stands for steps everywhere. */
  public Optional<StepId> step(StepId was) {
    return Usual.kindOf(was).isPresent() ? Optional.of(was) : Optional.ofNullable(steps.get(was));
  }

  public Optional<ModuleId> module(ModuleId was) {
    return Optional.ofNullable(modules.get(was));
  }

  public Optional<BadgeId> badge(BadgeId was) {
    return Optional.ofNullable(badges.get(was));
  }

  public Optional<Outcome> outcome(OutcomeId was) {
    return Optional.ofNullable(outcomes.get(was));
  }

  /** The question as it is asked there; nothing if what it asks about is not there. */
  Optional<Leaf> there(Leaf leaf) {
    return switch (leaf) {
      case Leaf.OfStep l -> step(l.step()).map(l::at);
      case Leaf.ModuleDone l -> module(l.module()).map(Leaf.ModuleDone::new);
      case Leaf.ModuleCount l -> module(l.module()).map(m -> new Leaf.ModuleCount(m, l.steps()));
      case Leaf.ModuleShare l -> module(l.module()).map(m -> new Leaf.ModuleShare(m, l.share()));
      case Leaf.QuizzesScored l ->
          l.module().isEmpty()
              ? Optional.of(l)
              : l.module()
                  .flatMap(this::module)
                  .map(m -> new Leaf.QuizzesScored(Optional.of(m), l.share()));
      case Leaf.AtMastery l -> outcome(l.outcome()).map(o -> new Leaf.AtMastery(o.id()));
      case Leaf.LevelAtLeast l ->
          rated(l, l.level()).map(o -> new Leaf.LevelAtLeast(o.id(), l.level()));
      case Leaf.LevelBelow l ->
          rated(l, l.level()).map(o -> new Leaf.LevelBelow(o.id(), l.level()));
      case Leaf.EvidenceCount l ->
          rated(l, l.level()).map(o -> new Leaf.EvidenceCount(o.id(), l.pieces(), l.level()));
      case Leaf.HoldsBadge l -> badge(l.badge()).map(Leaf.HoldsBadge::new);
      case Leaf.CourseComplete l -> course(l);
      case Leaf.InTime l -> Optional.of(new Leaf.InTime(l.from().map(moved), l.until().map(moved)));
      // Groups, people and sessions are those of a course.
      case Leaf.InGroup _, Leaf.OneOf _, Leaf.SessionAttended _ -> Optional.empty();
      case Leaf.InARow _, Leaf.GradeAtLeast _, Leaf.Approved _, Leaf.OwnWord _, Leaf.HasLeft _ ->
          Optional.of(leaf);
      case Leaf.NoEvidence l ->
          outcome(l.outcome()).map(o -> new Leaf.NoEvidence(o.id(), moved.apply(l.from())));
      case Leaf.AttendanceRate _, Leaf.SessionsAttended _, Leaf.EnrolledFor _, Leaf.Signal _ ->
          Optional.of(leaf);
    };
  }

  /** The outcome, if it is rated on a scale that has the level. */
  private Optional<Outcome> rated(Leaf.OfOutcome leaf, int level) {
    return outcome(leaf.outcome()).filter(o -> o.scale().at(level) >= 0);
  }

  /** Another course is the same for both, unless one would ask for itself. */
  private Optional<Leaf> course(Leaf.CourseComplete leaf) {
    if (leaf.course().equals(from)) return Optional.of(new Leaf.CourseComplete(to));
    return leaf.course().equals(to) ? Optional.empty() : Optional.of(leaf);
  }
}
