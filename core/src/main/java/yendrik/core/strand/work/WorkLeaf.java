package yendrik.core.strand.work;

import java.util.Optional;
import yendrik.core.id.StepId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.StepProbe;
import yendrik.core.strand.StepLeaf;
import yendrik.core.strand.StepNames;
import yendrik.core.words.Ground;
import yendrik.core.words.Phrase;
import yendrik.core.words.Question;

/** Whether work was handed in, and whether staff have looked at it. */
public sealed interface WorkLeaf extends StepLeaf {
  record HandedIn(StepId step) implements WorkLeaf {
    @Override
    public HandedIn at(StepId other) {
      return new HandedIn(other);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      if (WorkStrand.of(record).version(step) > 0) reading.met();
      else StepProbe.missing(step, sight, reading, 0, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.handed-in");
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      WorkStrand work = WorkStrand.of(record);
      return Ground.of(
          Phrase.of("ground.handed-in", "n", work.version(step)), work.handedInAt(step));
    }
  }

  /** Work was judged, and no newer version waits. */
  record Marked(StepId step) implements WorkLeaf {
    @Override
    public Marked at(StepId other) {
      return new Marked(other);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      if (record.marked(step)) reading.metForNow(Reading.NO_MOMENT);
      else if (record.waiting(step)) reading.notYet(0.5, Turn.STAFF);
      else StepProbe.missing(step, sight, reading, 0, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.marked");
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return record.waiting(step)
          ? Ground.of(Phrase.of("ground.waits"), record.waitingSince(step))
          : record.standing(step);
    }
  }
}
