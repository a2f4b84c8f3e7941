package yendrik.core.strand.seen;

import java.util.Map;
import java.util.Optional;
import yendrik.core.id.PersonId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Strand;

/** When steps were seen. */
public final class SeenStrand extends Strand<SeenFact, SeenStrand.Kept> {
  /** How the rest of Yendrik knows it. */
  public static final Door<SeenStrand> DOOR =
      new Door<>(
          "seen",
          SeenStrand.class,
          SeenStrand::new,
          Kept.class,
          Map.of("saw", SeenFact.Saw.class),
          Map.of("seen", SeenLeaf.Seen.class));

  /**
   * @param first epoch milliseconds
   * @param last the same of the last time
   */
  public record Kept(long first, long last) implements Strand.Kept {}

  private final long[] first;
  private final long[] last;

  private SeenStrand(LearnerRecord record) {
    super(record, SeenFact.class, Kept.class);
    first = never(index.steps());
    last = never(index.steps());
  }

  @Override
  protected void take(int s, long at, SeenFact what, Optional<PersonId> by) {
    switch (what) {
      case SeenFact.Saw _ -> {
        if (first[s] == NEVER) first[s] = at;
        last[s] = at;
      }
    }
  }

  @Override
  protected void forget(int s) {
    first[s] = NEVER;
    last[s] = NEVER;
  }

  @Override
  protected Optional<Kept> keep(int s) {
    return first[s] == NEVER
        ? Optional.empty()
        : Optional.of(new Kept(stored(first[s]), stored(last[s])));
  }

  @Override
  protected void restore(int s, Kept kept) {
    first[s] = moment(kept.first);
    last[s] = moment(kept.last);
  }

  /** When the step was first seen, in epoch milliseconds. */
  public long at(int s) {
    return first[s];
  }

  /** When it was seen last. */
  public long lastAt(int s) {
    return last[s];
  }

  /** The strand of a record. */
  public static SeenStrand of(LearnerRecord record) {
    return record.strand(DOOR);
  }
}
