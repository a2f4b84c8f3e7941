package yendrik.server.people;

import static yendrik.schema.Tables.ACCOUNT_EVENT;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.SPRING_SESSION;
import static yendrik.schema.Tables.STAFF;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import yendrik.core.id.CourseId;
import yendrik.server.http.Problem;

/**
 * The sessions that people have open. Every request asks here, so it is one statement that needs no
 * transaction, and an access is written down at most once a minute: a session ends a minute earlier
 * at most.
 */
@Repository
public class OpenSessions {
  /** However busy somebody is, after so long they sign in anew. */
  static final Duration LONGEST = Duration.ofDays(7);

  static final Duration PAUSE = Duration.ofMinutes(1);

  /** Sessions end by the time that they were made by, whatever day the school is told it is. */
  private final InstantSource clock = InstantSource.system();

  private final DSLContext db;

  OpenSessions(DSLContext db) {
    this.db = db;
  }

  /**
   * @param seat the person's place in the course that was asked for
   */
  record Found(SignedIn person, Optional<Seat> seat) {}

  /** Whoever has a session open, and their place in a course. */
  Optional<Found> find(UUID session, Optional<CourseId> course) {
    long now = clock.millis();
    var found =
        db.select(
                SPRING_SESSION.LAST_ACCESS_TIME,
                PERSON.ID,
                PERSON.NAME,
                PERSON.EMAIL,
                PERSON.ADMINISTRATOR)
            .select(Seats.FIELDS)
            .from(SPRING_SESSION)
            .join(PERSON)
            .on(PERSON.EMAIL.eq(SPRING_SESSION.PRINCIPAL_NAME))
            .leftJoin(COURSE)
            .on(course.map(COURSE.ID::eq).orElseGet(DSL::falseCondition), COURSE.SHELF.isFalse())
            .leftJoin(STAFF)
            .on(Seats.isStaff())
            .leftJoin(ENROLMENT)
            .on(Seats.isEnrolled())
            .where(SPRING_SESSION.SESSION_ID.eq(session.toString()), isOpen(now))
            .fetchOptional();
    found.ifPresent(row -> touch(session, row.get(SPRING_SESSION.LAST_ACCESS_TIME), now));
    return found.map(row -> {
      var person =
          new SignedIn(
              row.get(PERSON.ID),
              row.get(PERSON.NAME),
              row.get(PERSON.EMAIL),
              row.get(PERSON.ADMINISTRATOR));
      return new Found(person, course.map(c -> Seats.of(row, c, person)));
    });
  }

  private static Condition isOpen(long now) {
    return SPRING_SESSION
        .EXPIRY_TIME
        .gt(now)
        .and(SPRING_SESSION.CREATION_TIME.gt(now - LONGEST.toMillis()));
  }

  /** Whether a session goes on. */
  public boolean goesOn(String session) {
    return db.fetchExists(
        SPRING_SESSION, SPRING_SESSION.SESSION_ID.eq(session), isOpen(clock.millis()));
  }

  /**
   * One of somebody's own sessions.
   *
   * @param id by which it can be ended; not the secret that the browser has
   * @param browser as it called itself when the session began
   * @param here whether it is the one that asks
   */
  @Schema(name = "OwnSession")
  record Own(
      UUID id, Instant began, Instant lastUsed, String browser, String address, boolean here) {}

  /** The sessions that somebody has open, the newest first. */
  List<Own> of(SignedIn person, Optional<String> here) {
    var open =
        db.selectFrom(SPRING_SESSION)
            .where(SPRING_SESSION.PRINCIPAL_NAME.eq(person.email()), isOpen(clock.millis()))
            .orderBy(SPRING_SESSION.CREATION_TIME.desc())
            .fetch();
    var began =
        db.selectFrom(ACCOUNT_EVENT)
            .where(
                ACCOUNT_EVENT.WHAT.eq(Accounts.What.SIGNED_IN.name()),
                ACCOUNT_EVENT.SESSION_ID.in(open.map(s -> Secrets.hash(s.getSessionId()))))
            .fetchMap(ACCOUNT_EVENT.SESSION_ID);
    return open.map(session -> {
      var event = Optional.ofNullable(began.get(Secrets.hash(session.getSessionId())));
      return new Own(
          UUID.fromString(session.getPrimaryId()),
          Instant.ofEpochMilli(session.getCreationTime()),
          Instant.ofEpochMilli(session.getLastAccessTime()),
          event.map(e -> e.getBrowser()).orElse(""),
          event.map(e -> e.getAddress()).orElse(""),
          here.filter(session.getSessionId()::equals).isPresent());
    });
  }

  /** Ends one of somebody's own sessions. */
  void end(SignedIn person, UUID id) {
    int ended =
        db.deleteFrom(SPRING_SESSION)
            .where(
                SPRING_SESSION.PRIMARY_ID.eq(id.toString()),
                SPRING_SESSION.PRINCIPAL_NAME.eq(person.email()))
            .execute();
    if (ended == 0) throw Problem.notFound("own-session");
  }

  private void touch(UUID session, long last, long now) {
    if (now - last < PAUSE.toMillis()) return;
    db.update(SPRING_SESSION)
        .set(SPRING_SESSION.LAST_ACCESS_TIME, now)
        .set(
            SPRING_SESSION.EXPIRY_TIME,
            SPRING_SESSION.MAX_INACTIVE_INTERVAL.cast(Long.class).times(1000L).plus(now))
        .where(SPRING_SESSION.SESSION_ID.eq(session.toString()))
        .execute();
  }
}
