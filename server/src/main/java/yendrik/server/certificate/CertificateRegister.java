package yendrik.server.certificate;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.greatest;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;
import static org.jooq.impl.DSL.val;
import static yendrik.schema.Tables.AWARD;
import static yendrik.schema.Tables.CERTIFICATE;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.COURSE_CERTIFIED;
import static yendrik.schema.Tables.INSTITUTION;
import static yendrik.schema.Tables.PERSON;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.schema.tables.records.AwardRecord;
import yendrik.schema.tables.records.CertificateRecord;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;

/**
 * The institution's register of certificates. An award of what is laid out on paper gets its number
 * after the act that brought it; numbers have no gaps. Several servers share the work.
 */
@Component
class CertificateRegister {
  /** What one types: without letters that are taken for others (Crockford's base 32). */
  private static final String SIGNS = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";

  private static final int GROUPS = 3;
  private static final int GROUP = 4;
  private static final SecureRandom CHANCE = new SecureRandom();
  private static final Logger LOG = LoggerFactory.getLogger(CertificateRegister.class);

  private final DSLContext db;
  private final Designs designs;
  private final TransactionTemplate transaction;
  private final Clock clock;

  CertificateRegister(
      DSLContext db, Designs designs, TransactionTemplate transaction, Clock clock) {
    this.db = db;
    this.designs = designs;
    this.transaction = transaction;
    this.clock = clock;
  }

  /** Numbers all awards that are due, one in a transaction. */
  void numberDue() {
    for (CourseId course : published()) transaction.executeWithoutResult(_ -> lookThrough(course));
    for (UUID award : due())
      try {
        transaction.executeWithoutResult(_ -> claim(award).ifPresent(this::number));
      } catch (RuntimeException e) {
        LOG.error("award {} could not get its certificate; it is tried again", award, e);
      }
  }

  private List<CourseId> published() {
    return db.select(COURSE.ID)
        .from(COURSE)
        .leftJoin(COURSE_CERTIFIED)
        .on(COURSE_CERTIFIED.COURSE_ID.eq(COURSE.ID))
        .where(COURSE.PUBLISHED_VERSION.gt(coalesce(COURSE_CERTIFIED.VERSION, 0)))
        .fetch(COURSE.ID);
  }

  /** What was awarded before it was laid out on paper is printed too. */
  private void lookThrough(CourseId course) {
    Designs.Ready ready = designs.published(course).orElseThrow();
    List<BadgeId> laidOut =
        ready.document().design().badges().stream()
            .map(badge -> badge.id())
            .filter(badge -> ready.document().face(badge).sheet().isPresent())
            .toList();
    if (!laidOut.isEmpty())
      db.update(AWARD)
          .set(AWARD.TO_CERTIFY, true)
          .where(
              AWARD.COURSE_ID.eq(course),
              AWARD.BADGE_ID.in(laidOut),
              AWARD.REVOKED_AT.isNull(),
              AWARD.TO_CERTIFY.isFalse(),
              notExists(selectOne().from(CERTIFICATE).where(CERTIFICATE.AWARD_ID.eq(AWARD.ID))))
          .execute();
    db.insertInto(COURSE_CERTIFIED)
        .set(COURSE_CERTIFIED.COURSE_ID, course)
        .set(COURSE_CERTIFIED.VERSION, ready.version())
        .onConflict(COURSE_CERTIFIED.COURSE_ID)
        .doUpdate()
        .set(COURSE_CERTIFIED.VERSION, greatest(COURSE_CERTIFIED.VERSION, val(ready.version())))
        .execute();
  }

  private List<UUID> due() {
    return db.select(AWARD.ID)
        .from(AWARD)
        .where(AWARD.TO_CERTIFY.isTrue())
        .orderBy(AWARD.AWARDED_AT, AWARD.ID)
        .fetch(AWARD.ID);
  }

  private Optional<AwardRecord> claim(UUID award) {
    return db.selectFrom(AWARD)
        .where(AWARD.ID.eq(award), AWARD.TO_CERTIFY.isTrue())
        .forNoKeyUpdate()
        .skipLocked()
        .fetchOptional();
  }

  private void number(AwardRecord award) {
    if (award.getRevokedAt() == null && stands(award.getId()).isEmpty())
      sheetVersion(award).ifPresent(version -> insert(award, version, Optional.empty(), ""));
    db.update(AWARD).set(AWARD.TO_CERTIFY, false).where(AWARD.ID.eq(award.getId())).execute();
  }

  /** The publication that lays it out: the last one, or its own where that does so no more. */
  private Optional<Integer> sheetVersion(AwardRecord award) {
    return designs
        .published(award.getCourseId())
        .map(Designs.Ready::version)
        .filter(version -> laidOut(award, version))
        .or(() -> Optional.of(award.getDesignVersion()).filter(v -> laidOut(award, v)));
  }

  private boolean laidOut(AwardRecord award, int version) {
    var document = designs.version(award.getCourseId(), version).document();
    return document.design().badge(award.getBadgeId()).isPresent()
        && document.face(award.getBadgeId()).sheet().isPresent();
  }

  private CertificateRecord insert(
      AwardRecord award, int version, Optional<PersonId> by, String reason) {
    ZoneId zone = designs.version(award.getCourseId(), version).document().design().zone();
    Instant now = clock.instant();
    String name =
        db.select(PERSON.NAME)
            .from(PERSON)
            .where(PERSON.ID.eq(award.getPersonId()))
            .fetchSingle(PERSON.NAME);
    // the row stays locked until all of it is written: whoever comes next has the next number
    long serial =
        db.update(INSTITUTION)
            .set(INSTITUTION.CERTIFICATES, INSTITUTION.CERTIFICATES.plus(1))
            .returning(INSTITUTION.CERTIFICATES)
            .fetchSingle(INSTITUTION.CERTIFICATES);
    return db.insertInto(CERTIFICATE)
        .set(CERTIFICATE.AWARD_ID, award.getId())
        .set(CERTIFICATE.DESIGN_VERSION, version)
        .set(
            CERTIFICATE.NUMBER,
            String.format(Locale.ROOT, "%d-%05d", now.atZone(zone).getYear(), serial))
        .set(CERTIFICATE.CODE, code())
        .set(CERTIFICATE.NAME, name)
        .set(CERTIFICATE.MADE_AT, now)
        .set(CERTIFICATE.MADE_BY_ID, by.orElse(null))
        .set(CERTIFICATE.REASON, reason)
        .returning()
        .fetchSingle();
  }

  private static String code() {
    var code = new StringBuilder();
    for (int group = 0; group < GROUPS; group++) {
      if (group > 0) code.append('-');
      for (int i = 0; i < GROUP; i++) code.append(SIGNS.charAt(CHANCE.nextInt(SIGNS.length())));
    }
    return code.toString();
  }

  /** The code that somebody means by what they typed. */
  static String read(String typed) {
    var code = new StringBuilder();
    for (char c : typed.toUpperCase(Locale.ROOT).toCharArray()) {
      char meant =
          switch (c) {
            case 'O' -> '0';
            case 'I', 'L' -> '1';
            default -> c;
          };
      if (SIGNS.indexOf(meant) < 0) continue;
      if (code.length() % (GROUP + 1) == GROUP) code.append('-');
      code.append(meant);
    }
    return code.toString();
  }

  /** The certificate of an award that stands. */
  @Transactional(readOnly = true)
  public Optional<CertificateRecord> stands(UUID award) {
    return db.selectFrom(CERTIFICATE).where(standing(award)).fetchOptional();
  }

  private static Condition standing(UUID award) {
    return CERTIFICATE.AWARD_ID.eq(award).and(CERTIFICATE.REPLACED_AT.isNull());
  }

  /**
   * Gives a certificate anew, with the holder's name and the layout as they are now; the earlier
   * one is not valid any more.
   *
   * @throws Problem if the award was revoked, or another one stands in its place already
   */
  @Transactional
  public CertificateRecord again(long id, PersonId by, String reason) {
    CertificateRecord old =
        db.selectFrom(CERTIFICATE)
            .where(CERTIFICATE.ID.eq(id))
            .forUpdate()
            .fetchOptional()
            .orElseThrow(() -> Problem.notFound("certificate"));
    if (old.getReplacedAt() != null)
      throw Problem.conflict("certificate-replaced", "number", old.getNumber());
    AwardRecord award =
        db.selectFrom(AWARD).where(AWARD.ID.eq(old.getAwardId())).forUpdate().fetchSingle();
    if (award.getRevokedAt() != null)
      throw Problem.conflict("certificate-revoked", "number", old.getNumber());
    db.update(CERTIFICATE)
        .set(CERTIFICATE.REPLACED_AT, clock.instant())
        .where(CERTIFICATE.ID.eq(id))
        .execute();
    return insert(
        award, sheetVersion(award).orElse(old.getDesignVersion()), Optional.of(by), reason.strip());
  }
}
