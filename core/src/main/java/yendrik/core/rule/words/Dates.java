package yendrik.core.rule.words;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import yendrik.core.course.CourseDesign;

/**
 * Dates of a course as they are written everywhere, in its time zone. The year stands with them
 * unless it is this one: "Sun 29 Nov", "Fri 8 Jan 2027".
 */
public record Dates(ZoneId zone, int thisYear) {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
  private static final DateTimeFormatter YEAR =
      DateTimeFormatter.ofPattern("EEE d MMM uuuu", Locale.ENGLISH);
  private static final DateTimeFormatter TIME =
      DateTimeFormatter.ofPattern(", HH:mm", Locale.ENGLISH);

  /**
   * @param now when they are read
   */
  public static Dates of(CourseDesign design, Instant now) {
    return new Dates(design.zone(), now.atZone(design.zone()).getYear());
  }

  /** The day, without its time. */
  public String day(Instant at) {
    ZonedDateTime local = at.atZone(zone);
    return local.format(local.getYear() == thisYear ? DAY : YEAR);
  }

  /** The day, with the time unless it is midnight. */
  public String moment(Instant at) {
    ZonedDateTime local = at.atZone(zone);
    boolean midnight = local.toLocalTime().equals(LocalTime.MIDNIGHT);
    return day(at) + (midnight ? "" : local.format(TIME));
  }
}
