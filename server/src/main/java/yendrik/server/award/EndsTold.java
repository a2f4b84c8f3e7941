package yendrik.server.award;

import static yendrik.schema.Tables.AWARD;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.PERSON;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Badge;
import yendrik.core.course.Validity;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;
import yendrik.schema.tables.records.AwardRecord;
import yendrik.server.design.Designs;
import yendrik.server.institution.Institutions;
import yendrik.server.post.Letter;
import yendrik.server.post.Outbox;
import yendrik.server.rounds.OwnThread;
import yendrik.server.rounds.Timed;

/** Writes to holders whose badges end soon, once for each award. */
@Component
public class EndsTold {
  private static final int BATCH = 100;
  private final DSLContext db;
  private final Designs designs;
  private final Institutions institutions;
  private final Outbox outbox;
  private final Clock clock;
  private final String address;

  EndsTold(
      DSLContext db,
      Designs designs,
      Institutions institutions,
      Outbox outbox,
      Clock clock,
      @Value("${yendrik.address}") String address) {
    this.db = db;
    this.designs = designs;
    this.institutions = institutions;
    this.outbox = outbox;
    this.clock = clock;
    this.address = address;
  }

  /** Calls it, outside its transaction. */
  @Timed
  static class Rounds {
    private final OwnThread thread;

    Rounds(EndsTold told) {
      thread = new OwnThread("ends-told", told::tellDue);
    }

    @Scheduled(fixedDelay = 60_000)
    void round() {
      thread.begin();
    }
  }

  /**
   * Tells all that is due; a badge that was renewed, revoked or has ended meanwhile is passed over.
   */
  @Transactional
  public void tellDue() {
    Instant now = clock.instant();
    List<AwardRecord> due =
        db.selectFrom(AWARD)
            .where(AWARD.SOON_AT.le(now), AWARD.TOLD_AT.isNull())
            .orderBy(AWARD.SOON_AT)
            .limit(BATCH)
            .forUpdate()
            .skipLocked()
            .fetch();
    for (AwardRecord award : due) {
      if (award.getRevokedAt() == null && award.getEndsAt().isAfter(now) && newest(award))
        letter(award).ifPresent(letter -> outbox.put(List.of(letter)));
      db.update(AWARD).set(AWARD.TOLD_AT, now).where(AWARD.ID.eq(award.getId())).execute();
    }
  }

  private boolean newest(AwardRecord award) {
    return !db.fetchExists(
        AWARD,
        AWARD.ENROLMENT_ID.eq(award.getEnrolmentId()),
        AWARD.BADGE_ID.eq(award.getBadgeId()),
        AWARD.FACT_ID.gt(award.getFactId()));
  }

  private Optional<Letter> letter(AwardRecord award) {
    Designs.Ready ready = designs.version(award.getCourseId(), award.getDesignVersion());
    Optional<Badge> badge = ready.document().design().badge(award.getBadgeId());
    if (badge.isEmpty()) return Optional.empty();
    ZoneId zone = ready.document().design().zone();
    Writing writing = institutions.writing(zone, clock.instant());
    String name =
        db.select(PERSON.NAME)
            .from(PERSON)
            .where(PERSON.ID.eq(award.getPersonId()))
            .fetchSingle()
            .value1();
    String course =
        db.select(COURSE.NAME)
            .from(COURSE)
            .where(COURSE.ID.eq(award.getCourseId()))
            .fetchSingle()
            .value1();
    Optional<Validity.Renewal> renewal = badge.get().validity().renewal();
    Phrase what =
        Phrase.of(
            renewal.isPresent() ? "letter.ends-soon.renewable" : "letter.ends-soon.body",
            "name",
            name.split(" ", 2)[0],
            "badge",
            badge.get().name(),
            "course",
            course,
            "day",
            new Phrase.Day(award.getEndsAt()),
            "link",
            address + "/c/" + award.getCourseId() + "/my/badges",
            "from",
            institutions.now().name());
    return Optional.of(
        new Letter(
            Optional.empty(),
            Optional.empty(),
            award.getPersonId(),
            writing.say(Phrase.of("letter.ends-soon.subject", "badge", badge.get().name())),
            writing.say(what),
            /* link= */ false,
            Optional.empty()));
  }
}
