package yendrik.core.rule.plan;

import java.util.Optional;
import java.util.function.Function;
import yendrik.core.course.CourseIndex;
import yendrik.core.outcome.Scale;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.look.Probe;
import yendrik.core.strand.StepLeaf;

/**
 * Turns the questions of one course into probes. Adding a leaf begins here: the switch is sealed.
 */
final class Leaves {
  private final CourseIndex index;

  Leaves(CourseIndex index) {
    this.index = index;
  }

  Probe probe(Leaf leaf) {
    return switch (leaf) {
      case Leaf.OfStep ofStep -> ofStep(index.number(ofStep.step()), ofStep);
      case Leaf.OfOutcome ofOutcome -> ofOutcome(index.number(ofOutcome.outcome()), ofOutcome);
      case Leaf.ModuleDone m -> new ModuleProbes.Done(index.number(m.module()));
      case Leaf.ModuleCount m ->
          new ModuleProbes.Share(index, index.number(m.module()), m.steps(), 0);
      case Leaf.ModuleShare m ->
          new ModuleProbes.Share(index, index.number(m.module()), 0, m.share());
      case Leaf.QuizzesScored q ->
          q.module()
              .map(m -> new QuizzesProbe(index, index.number(m), index.number(m) + 1, q.share()))
              .orElseGet(() -> new QuizzesProbe(index, 0, index.modules(), q.share()));
      case Leaf.CourseComplete c ->
          c.course().equals(index.design().id())
              ? new PersonProbes.ThisCourse()
              : new PersonProbes.OtherCourse(c.course());
      case Leaf.AttendanceRate a -> new PersonProbes.AttendanceRate(a.share());
      case Leaf.SessionsAttended a -> new PersonProbes.SessionsAttended(a.sessions());
      case Leaf.SessionAttended a -> new PersonProbes.SessionAttended(a.session());
      case Leaf.InARow r -> new PersonProbes.InARow(r.times(), r.rhythm());
      case Leaf.GradeAtLeast g -> new GradeProbe(index, g.share());
      case Leaf.Approved a -> new PersonProbes.Approved(a.by());
      case Leaf.OwnWord _ -> new PersonProbes.OwnWord();
      case Leaf.HasLeft _ -> new PersonProbes.HasLeft();
      case Leaf.InGroup g -> new PersonProbes.InGroup(g.group());
      case Leaf.OneOf p -> new PersonProbes.OneOf(p.people());
      case Leaf.HoldsBadge b -> holdsBadge(index.number(b.badge()));
      case Leaf.EnrolledFor e -> new PersonProbes.EnrolledFor(e.days());
      case Leaf.InTime t ->
          new PersonProbes.InTime(
              millis(t.from(), Long.MIN_VALUE), millis(t.until(), Long.MAX_VALUE));
      case Leaf.Signal signal -> signal(signal);
    };
  }

  private Probe holdsBadge(int badge) {
    return new PersonProbes.HoldsBadge(badge, index.badge(badge).earnedWhen().isEmpty());
  }

  private static long millis(Optional<java.time.Instant> moment, long otherwise) {
    Function<java.time.Instant, Long> millis = java.time.Instant::toEpochMilli;
    return moment.map(millis).orElse(otherwise);
  }

  private Probe ofStep(int s, Leaf.OfStep leaf) {
    return switch (leaf) {
      case Leaf.OfStrand of -> StepLeaf.of(of).probe(s);
      case Leaf.StepDone _ -> new StepProbes.Done(s);
      case Leaf.DaysSinceDone l -> new StepProbes.DaysSinceDone(s, l.days());
    };
  }

  private Probe ofOutcome(int o, Leaf.OfOutcome leaf) {
    Scale scale = index.outcome(o).scale();
    return switch (leaf) {
      case Leaf.LevelAtLeast l -> new OutcomeProbes.AtLeast(index, o, scale.at(l.level()));
      case Leaf.AtMastery _ -> new OutcomeProbes.AtLeast(index, o, scale.mastery());
      case Leaf.LevelBelow l -> new OutcomeProbes.Below(index, o, scale.at(l.level()));
      case Leaf.EvidenceCount l ->
          new OutcomeProbes.Pieces(index, o, l.pieces(), scale.at(l.level()));
    };
  }

  private Probe signal(Leaf.Signal leaf) {
    return switch (leaf) {
      case Leaf.QuietFor l -> new SignalProbes.QuietFor(l.days());
      case Leaf.NeverStarted l ->
          new SignalProbes.NeverStarted(index.design().startsAt().toEpochMilli(), l.days());
      case Leaf.Overdue l -> new SignalProbes.Overdue(index, l.steps());
      case Leaf.BehindBy l -> new SignalProbes.BehindBy(index, l.days());
      case Leaf.StuckFor l -> new SignalProbes.StuckFor(index, l.days());
      case Leaf.NoEvidence l ->
          new SignalProbes.NoEvidence(index.number(l.outcome()), l.from().toEpochMilli());
      case Leaf.AttendanceUnder l -> new SignalProbes.AttendanceUnder(l.share());
      case Leaf.RequiredOutOfReach _ -> new SignalProbes.RequiredOutOfReach(index);
    };
  }
}
