package yendrik.server.calendar;

import static yendrik.schema.Tables.CALENDAR_FEED;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;

import java.net.URI;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.words.Phrase;
import yendrik.formats.calendar.ICalendar;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.learn.Dates;
import yendrik.server.learn.RouteViews.DateView;
import yendrik.server.people.Secrets;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/**
 * Private addresses under which other calendars read somebody's dates. Whoever knows one reads
 * them, so that it can be renewed at any time; only its hash is kept.
 */
@Service
@Transactional
class Feeds {
  private static final int BYTES = 24;
  private static final SecureRandom RANDOM = new SecureRandom();
  private final DSLContext db;
  private final Walks walks;
  private final Dates dates;
  private final Institutions institutions;
  private final Clock clock;
  private final String address;

  Feeds(
      DSLContext db,
      Walks walks,
      Dates dates,
      Institutions institutions,
      Clock clock,
      @Value("${yendrik.address}") String address) {
    this.db = db;
    this.walks = walks;
    this.dates = dates;
    this.institutions = institutions;
    this.clock = clock;
    this.address = address;
  }

  /** Since when somebody has an address. */
  @Transactional(readOnly = true)
  Optional<Instant> since(PersonId person) {
    return db.select(CALENDAR_FEED.MADE_AT)
        .from(CALENDAR_FEED)
        .where(CALENDAR_FEED.PERSON_ID.eq(person))
        .fetchOptional(CALENDAR_FEED.MADE_AT);
  }

  /** Makes an address, to be told once; the one before it leads nowhere any more. */
  String renew(PersonId person) {
    byte[] secret = new byte[BYTES];
    RANDOM.nextBytes(secret);
    String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    String hash = Secrets.hash(token);
    db.insertInto(CALENDAR_FEED)
        .set(CALENDAR_FEED.PERSON_ID, person)
        .set(CALENDAR_FEED.TOKEN_HASH, hash)
        .set(CALENDAR_FEED.MADE_AT, clock.instant())
        .onConflict(CALENDAR_FEED.PERSON_ID)
        .doUpdate()
        .set(CALENDAR_FEED.TOKEN_HASH, hash)
        .set(CALENDAR_FEED.MADE_AT, clock.instant())
        .execute();
    return address + "/api/calendars/" + token;
  }

  void end(PersonId person) {
    db.deleteFrom(CALENDAR_FEED).where(CALENDAR_FEED.PERSON_ID.eq(person)).execute();
  }

  private record Enrolled(EnrolmentId enrolment, CourseId course, String name) {}

  /** All dates of whoever has this address, in all their courses. */
  @Transactional(readOnly = true)
  String read(String token) {
    PersonId person =
        db.select(CALENDAR_FEED.PERSON_ID)
            .from(CALENDAR_FEED)
            .where(CALENDAR_FEED.TOKEN_HASH.eq(Secrets.hash(token)))
            .fetchOptional(CALENDAR_FEED.PERSON_ID)
            .orElseThrow(() -> Problem.notFound("page"));
    List<Enrolled> courses =
        db.select(ENROLMENT.ID, COURSE.ID, COURSE.NAME)
            .from(ENROLMENT)
            .join(COURSE)
            .on(COURSE.ID.eq(ENROLMENT.COURSE_ID))
            .where(ENROLMENT.PERSON_ID.eq(person), ENROLMENT.PRACTICE.isFalse())
            .orderBy(COURSE.NAME, COURSE.ID)
            .fetch(r -> new Enrolled(r.value1(), r.value2(), r.value3()));
    List<ICalendar.Entry> entries = new ArrayList<>();
    for (Enrolled course : courses) {
      Walk walk = walks.see(course.enrolment());
      if (walk.progress().record().left()) continue;
      for (DateView date : dates.all(walk)) entries.add(entry(course, walk, date));
    }
    return ICalendar.write(institutions.say(Phrase.of("calendar.name")), entries, clock.instant());
  }

  private ICalendar.Entry entry(Enrolled course, Walk walk, DateView date) {
    String place = address + "/c/" + course.course() + "/my/";
    return new ICalendar.Entry(
        date.id() + "-course-" + course.course() + "@yendrik",
        walk.writing().say(Phrase.of("calendar." + date.is(), "name", date.name())),
        date.at(),
        date.until(),
        course.name(),
        Optional.of(URI.create(place + date.step().map(s -> "steps/" + s).orElse("calendar"))));
  }
}
