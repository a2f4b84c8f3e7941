package yendrik.core.rule.words;

import java.time.Instant;
import java.util.Optional;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.PersonId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.plan.Sight;

/**
 * The fact that an answer rests on.
 *
 * @param what in words, "best 53 % in 3 attempts"
 * @param by the staff member whose word it is
 */
public record Ground(String what, Instant at, Optional<PersonId> by) {

  /** What the record holds on a question, empty when there is nothing to tell. */
  public static Optional<Ground> of(Leaf leaf, Sight sight) {
    return switch (leaf) {
      case Leaf.OfStep ofStep -> {
        int s = sight.record().index().number(ofStep.step());
        yield s == CourseIndex.UNKNOWN ? Optional.empty() : ofStep(ofStep, s, sight);
      }
      case Leaf.OfOutcome ofOutcome -> ofOutcome(ofOutcome, sight);
      case Leaf.ModuleDone l ->
          ground("done", sight.moduleDoneAt(sight.record().index().number(l.module())));
      case Leaf.QuietFor _ -> ground("last here", sight.record().lastHere());
      case Leaf.EnrolledFor _ -> ground("enrolled", sight.record().enrolledAt());
      default -> Optional.empty();
    };
  }

  private static Optional<Ground> ofStep(Leaf.OfStep leaf, int s, Sight sight) {
    LearnerRecord r = sight.record();
    return switch (leaf) {
      case Leaf.Seen _ -> ground("read", r.seenAt(s));
      case Leaf.TimeSpent _ -> ground("so far " + r.seconds(s) / 60 + " min", r.touchedAt(s));
      case Leaf.Watched _ ->
          ground("so far " + Numbers.percent(r.watched(s)) + " watched", r.touchedAt(s));
      case Leaf.HandedIn _ -> ground("version " + r.version(s) + " handed in", r.handedInAt(s));
      case Leaf.Attempted _, Leaf.Score _ -> score(s, r);
      case Leaf.Marked _, Leaf.Passed _, Leaf.NotPassed _ ->
          r.waiting(s) ? ground("handed in, waits for marking", r.handedInAt(s)) : score(s, r);
      case Leaf.Confirmed _ -> ground("confirmed", r.confirmedAt(s));
      case Leaf.SignedOff _ ->
          ground("signed off", r.signedOffAt(s)).map(g -> g.by(r.signedOffBy(s)));
      case Leaf.StepDone _, Leaf.DaysSinceDone _ -> ground("done", sight.doneAt(s));
    };
  }

  private static Optional<Ground> score(int s, LearnerRecord r) {
    if (r.attempts(s) > 0) {
      int allowed = r.attemptsAllowed(s);
      String of = allowed == 0 ? "" : " of " + allowed;
      String best = "best " + Numbers.percent(r.score(s)) + " in ";
      String tries = Numbers.count(r.attempts(s), "attempt");
      return ground(
          best + (allowed == 0 ? tries : r.attempts(s) + of + " attempts"), r.scoredAt(s));
    }
    String notPassed = r.failed(s) ? "not passed" : "needs another go";
    String judged = r.passed(s) ? "passed" : notPassed;
    String points = r.scored(s) ? ", " + Numbers.percent(r.score(s)) : "";
    return ground(judged + points, r.markedAt(s)).map(g -> g.by(r.markedBy(s)));
  }

  private static Optional<Ground> ofOutcome(Leaf.OfOutcome leaf, Sight sight) {
    LearnerRecord r = sight.record();
    int o = r.index().number(leaf.outcome());
    if (o == CourseIndex.UNKNOWN || r.level(o).isEmpty()) return Optional.empty();
    String name = r.index().outcome(o).scale().levels().get(r.level(o).getAsInt()).name();
    String pieces = Numbers.count(r.pieces(o, 0), "piece") + " of evidence";
    return ground("now “" + name + "”, " + pieces, r.evidenceAt(o));
  }

  private static Optional<Ground> ground(String what, long at) {
    return at == LearnerRecord.NEVER
        ? Optional.empty()
        : Optional.of(new Ground(what, Instant.ofEpochMilli(at), Optional.empty()));
  }

  private Ground by(Optional<PersonId> who) {
    return new Ground(what, at, who);
  }
}
