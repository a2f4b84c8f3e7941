package yendrik.core.strand.attempts;

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
import yendrik.core.words.Question;

/** How often something was tried. */
public sealed interface AttemptLeaf extends StepLeaf {
  /** At least so many attempts finished. */
  record Attempted(StepId step, int times) implements AttemptLeaf {
    @Override
    public Attempted at(StepId other) {
      return new Attempted(other, times);
    }

    public Attempted {
      StepLeaf.positive(times, "attempts");
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      AttemptsStrand attempts = AttemptsStrand.of(record);
      int made = attempts.made(step);
      double far = (double) made / times;
      if (made >= times) reading.met();
      else if (attempts.left(step) < times - made) reading.outOfReach(far);
      else StepProbe.missing(step, sight, reading, far, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.attempted", "n", times);
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return record.standing(step);
    }
  }
}
