package yendrik.core.strand.time;

import java.util.Map;
import java.util.Optional;
import yendrik.core.id.PersonId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Strand;

/** For how long somebody was on steps. */
public final class TimeStrand extends Strand<TimeFact, TimeStrand.Kept> {
  /** How the rest of Yendrik knows it. */
  public static final Door<TimeStrand> DOOR =
      new Door<>(
          "time",
          TimeStrand.class,
          TimeStrand::new,
          Kept.class,
          Map.of("spent-time", TimeFact.SpentTime.class),
          Map.of("time-spent", TimeLeaf.TimeSpent.class));

  /**
   * @param last epoch milliseconds of the last report
   */
  public record Kept(int seconds, long last) implements Strand.Kept {}

  private final int[] seconds;
  private final long[] last;

  private TimeStrand(LearnerRecord record) {
    super(record, TimeFact.class, Kept.class);
    seconds = new int[index.steps()];
    last = never(index.steps());
  }

  @Override
  protected void take(int s, long at, TimeFact what, Optional<PersonId> by) {
    switch (what) {
      case TimeFact.SpentTime spent -> {
        last[s] = at;
        seconds[s] = (int) Math.min(Integer.MAX_VALUE, (long) seconds[s] + spent.seconds());
      }
    }
  }

  @Override
  protected void forget(int s) {
    seconds[s] = 0;
    last[s] = NEVER;
  }

  @Override
  protected Optional<Kept> keep(int s) {
    return last[s] == NEVER ? Optional.empty() : Optional.of(new Kept(seconds[s], stored(last[s])));
  }

  @Override
  protected void restore(int s, Kept kept) {
    seconds[s] = kept.seconds;
    last[s] = moment(kept.last);
  }

  /** Seconds on the step in all. */
  public int seconds(int s) {
    return seconds[s];
  }

  /** When time was reported last, in epoch milliseconds. */
  public long lastAt(int s) {
    return last[s];
  }

  /** The strand of a record. */
  public static TimeStrand of(LearnerRecord record) {
    return record.strand(DOOR);
  }
}
