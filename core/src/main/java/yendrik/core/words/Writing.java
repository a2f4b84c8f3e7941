package yendrik.core.words;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;

/**
 * How sentences and dates are written for whoever reads them now. Dates are those of a time zone,
 * and the year stands with them unless it is this one: "Sun 29 Nov", "Fri 8 Jan 2027".
 */
public record Writing(Catalogue catalogue, ZoneId zone, int thisYear) {
  /**
   * @param now when they are read
   */
  public static Writing of(Catalogue catalogue, ZoneId zone, Instant now) {
    return new Writing(catalogue, zone, now.atZone(zone).getYear());
  }

  public String say(Phrase phrase) {
    Map<String, Object> with = new HashMap<>();
    phrase.with().forEach((name, value) -> with.put(name, said(value)));
    return catalogue.say(phrase.key(), with);
  }

  public List<String> say(List<Phrase> phrases) {
    return phrases.stream().map(this::say).toList();
  }

  private Object said(Object value) {
    return switch (value) {
      case Phrase phrase -> say(phrase);
      case Phrase.Listed listed -> listed(listed.parts().iterator());
      case Phrase.Day day -> day(day.at());
      case Instant moment -> moment(moment);
      default -> value;
    };
  }

  private String listed(Iterator<Phrase> parts) {
    if (!parts.hasNext()) return "";
    String first = say(parts.next());
    return parts.hasNext()
        ? catalogue.say("list", Map.of("first", first, "rest", listed(parts)))
        : first;
  }

  /** The day, without its time. */
  public String day(Instant at) {
    ZonedDateTime local = at.atZone(zone);
    boolean thatYear = local.getYear() == thisYear;
    return local.format(catalogue.dates(thatYear ? "date.day" : "date.day-of-another-year"));
  }

  /** The day as it stands on a document, with its year whatever the year is. */
  public String date(Instant at) {
    return at.atZone(zone).format(catalogue.dates("date.on-paper"));
  }

  /** The day, with the time unless it is midnight. */
  public String moment(Instant at) {
    ZonedDateTime local = at.atZone(zone);
    if (local.toLocalTime().equals(LocalTime.MIDNIGHT)) return day(at);
    String time = local.format(catalogue.dates("date.time"));
    return catalogue.say("date.moment", Map.of("day", day(at), "time", time));
  }
}
