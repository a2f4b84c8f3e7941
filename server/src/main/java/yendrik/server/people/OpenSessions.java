package yendrik.server.people;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.SPRING_SESSION;
import static yendrik.schema.Tables.STAFF;

import java.time.Duration;
import java.time.InstantSource;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import yendrik.core.id.CourseId;

/**
 * The sessions that people have open. Every request asks here, so it is one statement that needs no
 * transaction, and an access is written down at most once a minute: a session ends a minute earlier
 * at most.
 */
@Repository
class OpenSessions {
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
            .on(course.map(COURSE.ID::eq).orElseGet(DSL::falseCondition))
            .leftJoin(STAFF)
            .on(Seats.isStaff())
            .leftJoin(ENROLMENT)
            .on(Seats.isEnrolled())
            .where(
                SPRING_SESSION.SESSION_ID.eq(session.toString()),
                SPRING_SESSION.EXPIRY_TIME.gt(now))
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
