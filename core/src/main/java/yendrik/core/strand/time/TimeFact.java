package yendrik.core.strand.time;

import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Strand;
import yendrik.core.words.Phrase;

/** What shows for how long somebody was on a step. */
public sealed interface TimeFact extends Fact.OfStrand {
  @Override
  default Strand.Door<TimeStrand> strand() {
    return TimeStrand.DOOR;
  }

  /** On the step, with the page visible, for so many seconds more, up to a day. */
  record SpentTime(StepId step, int seconds) implements TimeFact {
    public SpentTime {
      if (seconds < 1 || seconds > 86_400) throw new Refusal("seconds", "n", seconds);
    }

    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.empty();
    }
  }
}
