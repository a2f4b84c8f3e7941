package yendrik.core.rule.plan;

import java.util.OptionalInt;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.outcome.Outcome;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Probe;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.Subjects;

/**
 * Questions about one outcome. Staff can rate an outcome at any time, so none is ever out of reach;
 * it is their turn when a step that gives evidence of it waits for them.
 */
final class OutcomeProbes {
  private OutcomeProbes() {}

  abstract static class OfOutcome implements Probe {
    final CourseIndex index;
    final int outcome;

    OfOutcome(CourseIndex index, int outcome) {
      this.index = index;
      this.outcome = outcome;
    }

    @Override
    public void readsFrom(Subjects subjects) {
      for (int source : index.sources(outcome)) subjects.outcome(source);
      for (int s = 0; s < index.steps(); s++) if (ties(s)) subjects.factsOf(s);
    }

    /** By the facts alone: whose turn it is must not make rules wait for each other. */
    final Turn turn(Sight sight) {
      LearnerRecord record = sight.record();
      Turn turn = Turn.STAFF;
      for (int s = 0; s < index.steps(); s++) {
        if (!ties(s) || !index.published(s) || !record.isFor(s) || record.excused(s)) continue;
        if (record.waiting(s)) return Turn.STAFF;
        turn = Turn.LEARNER;
      }
      return turn;
    }

    private boolean ties(int s) {
      for (Step.Tie tie : index.step(s).evidenceFor())
        for (int source : index.sources(outcome))
          if (index.number(tie.outcome()) == source) return true;
      return false;
    }

    /** Whether no later evidence can lower what this learner has. */
    final boolean onlyRises() {
      Outcome o = index.outcome(outcome);
      return o.madeOf().isEmpty() && o.levelRule().onlyRises();
    }
  }

  static final class AtLeast extends OfOutcome {
    private final int level;

    AtLeast(CourseIndex index, int outcome, int level) {
      super(index, outcome);
      this.level = level;
    }

    @Override
    public void look(Sight sight, Reading reading) {
      OptionalInt now = sight.record().level(outcome);
      if (now.isPresent() && now.getAsInt() >= level) {
        if (onlyRises()) reading.met();
        else reading.metForNow(Reading.NO_MOMENT);
      } else reading.notYet((now.orElse(-1) + 1.0) / (level + 1.0), turn(sight));
    }
  }

  static final class Below extends OfOutcome {
    private final int level;

    Below(CourseIndex index, int outcome, int level) {
      super(index, outcome);
      this.level = level;
    }

    @Override
    public void look(Sight sight, Reading reading) {
      OptionalInt now = sight.record().level(outcome);
      if (now.isPresent() && now.getAsInt() < level) reading.metForNow(Reading.NO_MOMENT);
      else reading.notYet(0, turn(sight));
    }
  }

  static final class Pieces extends OfOutcome {
    private final int pieces;
    private final int level;

    Pieces(CourseIndex index, int outcome, int pieces, int level) {
      super(index, outcome);
      this.pieces = pieces;
      this.level = level;
    }

    @Override
    public void look(Sight sight, Reading reading) {
      int have = sight.record().pieces(outcome, level);
      if (have >= pieces) reading.metForNow(Reading.NO_MOMENT);
      else reading.notYet((double) have / pieces, turn(sight));
    }
  }
}
