package yendrik.core.strand.confirm;

import java.util.Optional;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Strand;
import yendrik.core.words.Phrase;

/** What learners say themselves about a step. */
public sealed interface ConfirmFact extends Fact.OfStrand {
  @Override
  default Strand.Door<ConfirmStrand> strand() {
    return ConfirmStrand.DOOR;
  }

  /** The learner said that it is done. */
  record Confirmed(StepId step) implements ConfirmFact {
    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.of(Phrase.of("fact.confirmed", "step", step));
    }
  }
}
