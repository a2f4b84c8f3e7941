package yendrik.core;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

/** The years that dates may lie in. */
public final class Years {
  public static final int FIRST = 1900;
  public static final int LAST = 2400;

  private Years() {}

  /**
   * A moment so many days later, at the same time of day in a time zone.
   *
   * @param days negative for earlier
   * @throws Refusal if it lies outside the years
   */
  public static Instant later(Instant moment, long days, ZoneId zone) {
    Instant moved = moment.atZone(zone).plusDays(days).toInstant();
    if (!hold(moved)) throw new Refusal("outside-the-years");
    return moved;
  }

  /** Whether a moment lies in them, by UTC. */
  public static boolean hold(Instant moment) {
    int year = moment.atZone(ZoneOffset.UTC).getYear();
    return year >= FIRST && year <= LAST;
  }
}
