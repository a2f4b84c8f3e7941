package yendrik.core.kind;

import yendrik.core.record.LearnerRecord;
import yendrik.core.strand.film.FilmStrand;
import yendrik.core.strand.seen.SeenStrand;
import yendrik.core.strand.time.TimeStrand;

/**
 * Since when something that goes on during a visit has not been reported: the last visit or the
 * last report, {@link LearnerRecord#NEVER} before any visit. More than has gone since then cannot
 * have happened.
 */
public final class Visits {
  private Visits() {}

  /** Of time on a step, in epoch milliseconds. */
  public static long timedFrom(LearnerRecord record, int step) {
    return Math.max(SeenStrand.of(record).lastAt(step), TimeStrand.of(record).lastAt(step));
  }

  /** Of seconds of a film that were played. */
  public static long playedFrom(LearnerRecord record, int step) {
    return Math.max(SeenStrand.of(record).lastAt(step), FilmStrand.of(record).lastAt(step));
  }
}
