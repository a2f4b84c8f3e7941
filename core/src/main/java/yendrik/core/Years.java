package yendrik.core;

import java.time.Instant;
import java.time.ZoneOffset;

/** The years that dates may lie in. */
public final class Years {
  public static final int FIRST = 1900;
  public static final int LAST = 2400;

  private Years() {}

  /** Whether a moment lies in them, by UTC. */
  public static boolean hold(Instant moment) {
    int year = moment.atZone(ZoneOffset.UTC).getYear();
    return year >= FIRST && year <= LAST;
  }
}
