package yendrik.core.strand.seen;

import java.util.Optional;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Strand;
import yendrik.core.words.Phrase;

/** What shows that a step was seen. */
public sealed interface SeenFact extends Fact.OfStrand {
  @Override
  default Strand.Door<SeenStrand> strand() {
    return SeenStrand.DOOR;
  }

  /** The step was opened. */
  record Saw(StepId step) implements SeenFact {
    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.of(Phrase.of("fact.opened", "step", step));
    }
  }
}
