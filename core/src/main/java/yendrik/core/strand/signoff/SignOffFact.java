package yendrik.core.strand.signoff;

import java.util.Optional;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Strand;
import yendrik.core.words.Phrase;

/** What staff vouch for. */
public sealed interface SignOffFact extends Fact.OfStrand {
  @Override
  default Strand.Door<SignOffStrand> strand() {
    return SignOffStrand.DOOR;
  }

  /** Staff saw it done. */
  record SignedOff(StepId step, String comment) implements SignOffFact {
    @Override
    public boolean here() {
      return false;
    }

    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.of(Phrase.of("fact.signed-off", "step", step).saying(comment));
    }
  }
}
