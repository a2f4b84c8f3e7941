package yendrik.formats.calendar;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.net.URI;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.component.VEvent;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** What is written is read again by a reader of iCalendar. */
class ICalendarTest {
  private static final Instant NOW = Instant.parse("2026-11-25T09:00:00Z");

  private static ICalendar.Entry entry(String name) {
    return new ICalendar.Entry(
        "session-3@yendrik",
        name,
        Instant.parse("2026-11-28T09:00:00Z"),
        Optional.of(Instant.parse("2026-11-28T12:00:00Z")),
        "Cycle Mechanic Foundations",
        Optional.of(URI.create("https://courses.hollowlane.example/c/3/my/route")));
  }

  private static List<VEvent> read(String text) throws Exception {
    Calendar calendar = new CalendarBuilder().build(new StringReader(text));
    assertThat(calendar.validate().getEntries()).as(text).isEmpty();
    return calendar.getComponents(Component.VEVENT);
  }

  @Test
  void a_session_has_its_beginning_its_end_and_where_more_is_to_be_read() throws Exception {
    String text = ICalendar.write("Dates", List.of(entry("Saturday bench")), NOW);
    assertThat(text)
        .contains("DTSTART:20261128T090000Z", "DTEND:20261128T120000Z", "UID:session-3@yendrik");
    VEvent event = read(text).getFirst();
    assertThat(event.getSummary().getValue()).isEqualTo("Saturday bench");
    assertThat(event.getUrl().getValue()).endsWith("/c/3/my/route");
  }

  @Test
  void a_calendar_without_dates_is_one() throws Exception {
    assertThat(read(ICalendar.write("Dates", List.of(entry("x")), NOW))).hasSize(1);
    assertThat(ICalendar.write("Dates", List.of(), NOW)).contains("BEGIN:VCALENDAR");
  }

  @Property(tries = 300)
  void any_name_comes_back_as_one_line_and_adds_nothing(@ForAll String name) throws Exception {
    List<VEvent> events = read(ICalendar.write(name, List.of(entry(name)), NOW));
    assertThat(events).hasSize(1);
    assertThat(events.getFirst().getUid().orElseThrow().getValue()).isEqualTo("session-3@yendrik");
  }
}
