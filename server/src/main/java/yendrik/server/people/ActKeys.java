package yendrik.server.people;

import static yendrik.schema.Tables.ACT_KEY;

import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Repository;
import yendrik.core.id.PersonId;

/**
 * Keys under which people act. A key is claimed before the act and keeps its answer for a day, so
 * that an act is done once however often its request arrives.
 */
@Repository
class ActKeys {
  private static final Duration KEPT = Duration.ofDays(1);
  private final DSLContext db;
  private final Clock clock;

  ActKeys(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /**
   * The first answer to an act.
   *
   * @param request what was asked for: method and address
   * @param status empty while the act is still being done, or if a server ended over it
   */
  record Answer(
      String request, Optional<Integer> status, Optional<String> mediaType, String body) {}

  /** Claims a key; says whether nobody had it before. */
  boolean claim(PersonId person, UUID key, String request) {
    return db.insertInto(ACT_KEY)
            .set(ACT_KEY.PERSON_ID, person)
            .set(ACT_KEY.KEY, key)
            .set(ACT_KEY.REQUEST, request)
            .set(ACT_KEY.AT, clock.instant())
            .onConflictDoNothing()
            .execute()
        == 1;
  }

  Optional<Answer> answer(PersonId person, UUID key) {
    return db.selectFrom(ACT_KEY)
        .where(ACT_KEY.PERSON_ID.eq(person), ACT_KEY.KEY.eq(key))
        .fetchOptional(r ->
            new Answer(
                r.getRequest(),
                Optional.ofNullable(r.getStatus()),
                Optional.ofNullable(r.getMediaType()),
                Optional.ofNullable(r.getBody()).orElse("")));
  }

  void keep(PersonId person, UUID key, Answer answer) {
    db.update(ACT_KEY)
        .set(ACT_KEY.STATUS, answer.status().orElse(null))
        .set(ACT_KEY.MEDIA_TYPE, answer.mediaType().orElse(null))
        .set(ACT_KEY.BODY, answer.body())
        .where(ACT_KEY.PERSON_ID.eq(person), ACT_KEY.KEY.eq(key))
        .execute();
  }

  /** Gives a key back: the act was refused or failed and changed nothing. */
  void release(PersonId person, UUID key) {
    db.deleteFrom(ACT_KEY).where(ACT_KEY.PERSON_ID.eq(person), ACT_KEY.KEY.eq(key)).execute();
  }

  @Scheduled(fixedDelay = 3_600_000)
  void forget() {
    db.deleteFrom(ACT_KEY).where(ACT_KEY.AT.lt(clock.instant().minus(KEPT))).execute();
  }
}
