package yendrik.core.strand.signoff;

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

/** What staff vouch for. */
public sealed interface SignOffLeaf extends StepLeaf {
  /** Staff may sign off whatever the state of the step, so this is never past hope. */
  record SignedOff(StepId step) implements SignOffLeaf {
    @Override
    public SignedOff at(StepId other) {
      return new SignedOff(other);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      if (SignOffStrand.of(record).at(step) != LearnerRecord.NEVER) reading.met();
      else StepProbe.missing(step, sight, reading, 0, Turn.STAFF);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.signed-off");
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      SignOffStrand signOffs = SignOffStrand.of(record);
      return Ground.of(Phrase.of("ground.signed-off"), signOffs.at(step), signOffs.by(step));
    }
  }
}
