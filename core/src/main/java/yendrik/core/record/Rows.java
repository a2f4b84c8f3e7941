package yendrik.core.record;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import yendrik.core.rule.Rhythm;

/** On how many days, and in how many weeks, in a row a learner was in the course. */
final class Rows {
  /** 1 January 1970 was the fourth day of its week. */
  private static final int MONDAY = 3;

  private final ZoneId zone;
  private Sums.Row days = Sums.Row.NONE;
  private Sums.Row weeks = Sums.Row.NONE;
  private long dayEnds = Long.MIN_VALUE;
  private int moved;

  Rows(ZoneId zone) {
    this.zone = zone;
  }

  void restore(Sums.Row storedDays, Sums.Row storedWeeks) {
    days = storedDays;
    weeks = storedWeeks;
  }

  Sums.Row days() {
    return days;
  }

  Sums.Row weeks() {
    return weeks;
  }

  int most(Rhythm rhythm) {
    return row(rhythm).most();
  }

  int now(Rhythm rhythm) {
    return row(rhythm).now();
  }

  private Sums.Row row(Rhythm rhythm) {
    return switch (rhythm) {
      case DAYS -> days;
      case WEEKS -> weeks;
    };
  }

  int moved() {
    return moved;
  }

  /** The learner was there at a moment, in epoch milliseconds; moments come in their order. */
  void here(long at) {
    if (at < dayEnds) return;
    moved++;
    LocalDate day = Instant.ofEpochMilli(at).atZone(zone).toLocalDate();
    dayEnds = day.plusDays(1).atStartOfDay(zone).toInstant().toEpochMilli();
    days = days.with(day.toEpochDay());
    weeks = weeks.with(Math.floorDiv(day.toEpochDay() + MONDAY, 7));
  }
}
