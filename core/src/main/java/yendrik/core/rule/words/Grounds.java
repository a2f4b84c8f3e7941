package yendrik.core.rule.words;

import java.util.Optional;
import yendrik.core.course.CourseIndex;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.look.Sight;
import yendrik.core.strand.StepLeaf;
import yendrik.core.words.Ground;
import yendrik.core.words.Phrase;

/** Finds the facts that answers rest on. */
public final class Grounds {
  private Grounds() {}

  /** What the record holds on a question, empty when there is nothing to tell. */
  public static Optional<Ground> of(Leaf leaf, Sight sight) {
    return switch (leaf) {
      case Leaf.OfStep ofStep -> {
        int s = sight.record().index().number(ofStep.step());
        yield s == CourseIndex.UNKNOWN ? Optional.empty() : ofStep(ofStep, s, sight);
      }
      case Leaf.OfOutcome ofOutcome -> ofOutcome(ofOutcome, sight);
      case Leaf.ModuleDone l ->
          Ground.of(
              Phrase.of("ground.done"),
              sight.moduleDoneAt(sight.record().index().number(l.module())));
      case Leaf.Approved l -> {
        LearnerRecord record = sight.record();
        yield Ground.of(
            Phrase.of("ground.approved"), record.approvedAt(l.by()), record.approvedBy(l.by()));
      }
      case Leaf.OwnWord _ -> Ground.of(Phrase.of("ground.own-word"), sight.record().ownWordAt());
      case Leaf.QuietFor _ -> Ground.of(Phrase.of("ground.last-here"), sight.record().lastHere());
      case Leaf.EnrolledFor _ ->
          Ground.of(Phrase.of("ground.enrolled"), sight.record().enrolledAt());
      default -> Optional.empty();
    };
  }

  private static Optional<Ground> ofStep(Leaf.OfStep leaf, int s, Sight sight) {
    return switch (leaf) {
      case Leaf.OfStrand of -> StepLeaf.of(of).ground(sight.record(), s);
      case Leaf.StepDone _, Leaf.DaysSinceDone _ ->
          Ground.of(Phrase.of("ground.done"), sight.doneAt(s));
    };
  }

  private static Optional<Ground> ofOutcome(Leaf.OfOutcome leaf, Sight sight) {
    LearnerRecord r = sight.record();
    int o = r.index().number(leaf.outcome());
    if (o == CourseIndex.UNKNOWN || r.level(o).isEmpty()) return Optional.empty();
    String name = r.index().outcome(o).scale().levels().get(r.level(o).getAsInt()).name();
    return Ground.of(
        Phrase.of("ground.level", "level", name, "n", r.pieces(o, 0)), r.evidenceAt(o));
  }
}
