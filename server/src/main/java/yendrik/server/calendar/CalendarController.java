package yendrik.server.calendar;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.server.learn.Dates;
import yendrik.server.learn.RouteViews.DateView;
import yendrik.server.learn.Wayfarer;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.people.SignedIn;
import yendrik.server.way.Walks;

/** A learner's calendar, and the private address of it for other calendars. */
@RestController
class CalendarController {
  private final Wayfarer wayfarer;
  private final Walks walks;
  private final Dates dates;
  private final Feeds feeds;

  CalendarController(Wayfarer wayfarer, Walks walks, Dates dates, Feeds feeds) {
    this.wayfarer = wayfarer;
    this.walks = walks;
    this.dates = dates;
    this.feeds = feeds;
  }

  /** All dates of a way, in order of time. */
  @GetMapping("/api/courses/{course}/walks/{walk}/calendar")
  @Needs(Right.LEARN)
  List<DateView> calendar(@PathVariable CourseId course, @PathVariable String walk, Seat seat) {
    return dates.all(walks.see(wayfarer.way(seat, walk)));
  }

  /**
   * @param address told once, when it is made
   */
  record CalendarFeed(Optional<Instant> since, Optional<String> address) {}

  @GetMapping("/api/account/calendar")
  @Needs(Right.SIGNED_IN)
  CalendarFeed feed(SignedIn person) {
    return new CalendarFeed(feeds.since(person.id()), Optional.empty());
  }

  /** Makes a private address; the one before it leads nowhere any more. */
  @PostMapping("/api/account/calendar")
  @Needs(Right.SIGNED_IN)
  @ResponseStatus(HttpStatus.CREATED)
  CalendarFeed renew(SignedIn person) {
    String address = feeds.renew(person.id());
    return new CalendarFeed(feeds.since(person.id()), Optional.of(address));
  }

  @DeleteMapping("/api/account/calendar")
  @Needs(Right.SIGNED_IN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(SignedIn person) {
    feeds.end(person.id());
  }

  /** All dates of whoever has this address, as other calendars read them. */
  @GetMapping("/api/calendars/{token}")
  @Needs(Right.ANYBODY)
  ResponseEntity<String> read(@PathVariable String token) {
    return ResponseEntity.ok()
        .header("Content-Type", "text/calendar;charset=UTF-8")
        .header("Cache-Control", "private, max-age=300")
        .body(feeds.read(token));
  }
}
