package yendrik.core.strand.confirm;

import java.util.Map;
import java.util.Optional;
import yendrik.core.id.PersonId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Strand;

/** What learners said themselves. */
public final class ConfirmStrand extends Strand<ConfirmFact, ConfirmStrand.Kept> {
  /** How the rest of Yendrik knows it. */
  public static final Door<ConfirmStrand> DOOR =
      new Door<>(
          "confirm",
          ConfirmStrand.class,
          ConfirmStrand::new,
          Kept.class,
          Map.of("confirmed", ConfirmFact.Confirmed.class),
          Map.of("confirmed", ConfirmLeaf.Confirmed.class));

  /**
   * @param at epoch milliseconds of the last time
   */
  public record Kept(long at) implements Strand.Kept {}

  private final long[] at;

  private ConfirmStrand(LearnerRecord record) {
    super(record, ConfirmFact.class, Kept.class);
    at = never(index.steps());
  }

  @Override
  protected void take(int s, long moment, ConfirmFact what, Optional<PersonId> by) {
    switch (what) {
      case ConfirmFact.Confirmed _ -> at[s] = moment;
    }
  }

  @Override
  protected void forget(int s) {
    at[s] = NEVER;
  }

  @Override
  protected Optional<Kept> keep(int s) {
    return at[s] == NEVER ? Optional.empty() : Optional.of(new Kept(stored(at[s])));
  }

  @Override
  protected void restore(int s, Kept kept) {
    at[s] = moment(kept.at);
  }

  /** When the learner confirmed the step last, in epoch milliseconds. */
  public long at(int s) {
    return at[s];
  }

  /** The strand of a record. */
  public static ConfirmStrand of(LearnerRecord record) {
    return record.strand(DOOR);
  }
}
