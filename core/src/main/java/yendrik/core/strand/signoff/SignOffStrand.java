package yendrik.core.strand.signoff;

import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import yendrik.core.id.PersonId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Strand;

/** What staff vouched for. */
public final class SignOffStrand extends Strand<SignOffFact, SignOffStrand.Kept> {
  /** How the rest of Yendrik knows it. */
  public static final Door<SignOffStrand> DOOR =
      new Door<>(
          "sign-off",
          SignOffStrand.class,
          SignOffStrand::new,
          Kept.class,
          Map.of("signed-off", SignOffFact.SignedOff.class),
          Map.of("signed-off", SignOffLeaf.SignedOff.class));

  /**
   * @param at epoch milliseconds of the last time
   */
  public record Kept(long at, Optional<PersonId> by) implements Strand.Kept {}

  private final long[] at;
  private final @Nullable PersonId[] by;

  private SignOffStrand(LearnerRecord record) {
    super(record, SignOffFact.class, Kept.class);
    at = never(index.steps());
    by = new PersonId[index.steps()];
  }

  @Override
  protected void take(int s, long moment, SignOffFact what, Optional<PersonId> who) {
    switch (what) {
      case SignOffFact.SignedOff _ -> {
        at[s] = moment;
        by[s] = who.orElse(null);
      }
    }
  }

  @Override
  protected void forget(int s) {
    at[s] = NEVER;
    by[s] = null;
  }

  @Override
  protected Optional<Kept> keep(int s) {
    return at[s] == NEVER ? Optional.empty() : Optional.of(new Kept(stored(at[s]), by(s)));
  }

  @Override
  protected void restore(int s, Kept kept) {
    at[s] = moment(kept.at);
    by[s] = kept.by.orElse(null);
  }

  /** When the step was signed off last, in epoch milliseconds. */
  public long at(int s) {
    return at[s];
  }

  /** Who did. */
  public Optional<PersonId> by(int s) {
    return Optional.ofNullable(by[s]);
  }

  /** The strand of a record. */
  public static SignOffStrand of(LearnerRecord record) {
    return record.strand(DOOR);
  }
}
