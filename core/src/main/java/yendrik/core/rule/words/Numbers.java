package yendrik.core.rule.words;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** Figures and dates as they are written everywhere. */
public final class Numbers {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
  private static final DateTimeFormatter MINUTE =
      DateTimeFormatter.ofPattern("EEE d MMM, HH:mm", Locale.ENGLISH);

  private Numbers() {}

  /**
   * A share as whole percent, rounded down so that nobody seems to have reached what they missed.
   */
  public static String percent(double share) {
    return (int) Math.floor(share * 100 + 1e-9) + " %";
  }

  /** "1 day", "6 days". */
  public static String count(long n, String one) {
    return n + " " + (n == 1 ? one : one + "s");
  }

  /** "Sun 29 Nov", with the time unless it is midnight. */
  public static String moment(Instant at, ZoneId zone) {
    ZonedDateTime local = at.atZone(zone);
    return local.format(local.toLocalTime().equals(LocalTime.MIDNIGHT) ? DAY : MINUTE);
  }

  /** "Sun 29 Nov". */
  public static String day(Instant at, ZoneId zone) {
    return at.atZone(zone).format(DAY);
  }
}
