package yendrik.core.strand.confirm;

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

/** What the learner says. */
public sealed interface ConfirmLeaf extends StepLeaf {
  record Confirmed(StepId step) implements ConfirmLeaf {
    @Override
    public Confirmed at(StepId other) {
      return new Confirmed(other);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      if (ConfirmStrand.of(record).at(step) != LearnerRecord.NEVER) reading.met();
      else StepProbe.missing(step, sight, reading, 0, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.confirmed");
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return Ground.of(Phrase.of("ground.confirmed"), ConfirmStrand.of(record).at(step));
    }
  }
}
