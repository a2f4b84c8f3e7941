package yendrik.formats.calendar;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.ParameterList;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.parameter.Value;
import net.fortuna.ical4j.model.property.Categories;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.RefreshInterval;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.Url;
import net.fortuna.ical4j.model.property.XProperty;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/** Writes iCalendar (RFC 5545). Moments are written in UTC, so that no time zone comes along. */
public final class ICalendar {
  private static final Duration REFRESH = Duration.ofHours(4);

  private ICalendar() {}

  /**
   * One date.
   *
   * @param uid the same as long as it is the same date, whatever becomes of its time
   * @param until when it ends; without, it is a moment
   * @param group what it is shown under, such as the course
   * @param address where more is to be read
   */
  public record Entry(
      String uid,
      String name,
      Instant at,
      Optional<Instant> until,
      String group,
      Optional<URI> address) {}

  /**
   * A whole calendar.
   *
   * @param name what other calendars call it
   * @param written when, for all entries
   */
  public static String write(String name, List<Entry> entries, Instant written) {
    var calendar = new Calendar();
    calendar.add(new ProdId("-//Yendrik//Calendar//EN"));
    calendar.add(ImmutableVersion.VERSION_2_0);
    calendar.add(ImmutableCalScale.GREGORIAN);
    calendar.add(new XProperty("X-WR-CALNAME", plain(name)));
    calendar.add(new RefreshInterval(new ParameterList(List.of(Value.DURATION)), REFRESH));
    entries.forEach(e -> calendar.add(event(e, written)));
    var out = new StringWriter();
    try {
      new CalendarOutputter(/* validating= */ false).output(calendar, out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString();
  }

  private static VEvent event(Entry entry, Instant written) {
    var event = new VEvent(/* initialise= */ false);
    event.add(new Uid(entry.uid()));
    event.add(new DtStamp(written));
    event.add(new DtStart<>(entry.at()));
    entry.until().ifPresent(until -> event.add(new DtEnd<>(until)));
    event.add(new Summary(plain(entry.name())));
    event.add(new Categories(plain(entry.group())));
    entry.address().ifPresent(address -> event.add(new Url(address)));
    return event;
  }

  /** Names stand in one line. */
  private static String plain(String text) {
    return text.replaceAll("\\p{Cntrl}", " ");
  }
}
