package yendrik.server.certificate;

import static yendrik.schema.Tables.AWARD;
import static yendrik.schema.Tables.CERTIFICATE;
import static yendrik.schema.Tables.PRINTED;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Badge;
import yendrik.formats.certificate.Certificate;
import yendrik.schema.tables.records.AwardRecord;
import yendrik.schema.tables.records.CertificateRecord;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.jobs.JobResult;
import yendrik.server.jobs.Meter;
import yendrik.server.people.Seat;

/** Certificates as files: one, or many at once. */
@Service
@Transactional
public class Prints {
  private static final Duration KEPT = Duration.ofDays(1);

  private final DSLContext db;
  private final Designs designs;
  private final CertificateRegister register;
  private final Paper paper;
  private final Clock clock;

  Prints(DSLContext db, Designs designs, CertificateRegister register, Paper paper, Clock clock) {
    this.db = db;
    this.designs = designs;
    this.register = register;
    this.paper = paper;
    this.clock = clock;
  }

  /**
   * What printing many has come to.
   *
   * @param file by which it is asked for
   */
  @JsonTypeName("printed")
  record Printed(UUID file, int certificates) implements JobResult {}

  /** A file. */
  public record File(String name, byte[] content) {}

  /** The certificate of an award that stands; empty for one that has none. */
  @Transactional(readOnly = true)
  public Optional<File> of(UUID award) {
    return register.stands(award).map(this::one);
  }

  /** One of the register. */
  File one(CertificateRecord certificate) {
    AwardRecord award =
        db.selectFrom(AWARD).where(AWARD.ID.eq(certificate.getAwardId())).fetchSingle();
    if (award.getRevokedAt() != null) throw Problem.conflict("revoked-is-not-printed");
    String title = title(certificate, award);
    return new File(
        title + " " + certificate.getNumber(),
        paper.pdf(title, List.of(of(certificate, award)), _ -> {}));
  }

  private Designs.Ready ready(CertificateRecord certificate, AwardRecord award) {
    return designs.version(award.getCourseId(), certificate.getDesignVersion());
  }

  private String title(CertificateRecord certificate, AwardRecord award) {
    return ready(certificate, award)
        .document()
        .design()
        .badge(award.getBadgeId())
        .map(Badge::name)
        .orElseThrow();
  }

  private Certificate of(CertificateRecord certificate, AwardRecord award) {
    return paper.of(certificate, award, ready(certificate, award));
  }

  /** Prints many as one file. */
  Printed print(Seat seat, Collection<Long> ids, Meter meter) {
    List<Certificate> all = new ArrayList<>();
    db.select(CERTIFICATE.fields())
        .select(AWARD.fields())
        .from(CERTIFICATE)
        .join(AWARD)
        .on(AWARD.ID.eq(CERTIFICATE.AWARD_ID))
        .where(CERTIFICATE.ID.in(ids), AWARD.COURSE_ID.eq(seat.course()), AWARD.REVOKED_AT.isNull())
        .orderBy(AWARD.BADGE_ID, CERTIFICATE.NAME, CERTIFICATE.ID)
        .forEach(row -> all.add(of(row.into(CERTIFICATE), row.into(AWARD))));
    if (all.isEmpty()) throw Problem.conflict("revoked-is-not-printed");
    UUID file = UUID.randomUUID();
    byte[] content = paper.pdf(all.getFirst().title(), all, done -> meter.done(done, all.size()));
    db.insertInto(PRINTED)
        .set(PRINTED.ID, file)
        .set(PRINTED.COURSE_ID, seat.course())
        .set(PRINTED.PERSON_ID, seat.person().id())
        .set(PRINTED.MADE_AT, clock.instant())
        .set(PRINTED.CONTENT, content)
        .execute();
    return new Printed(file, all.size());
  }

  /** What somebody printed at once, within a day. */
  @Transactional(readOnly = true)
  public byte[] printed(Seat seat, UUID file) {
    return db.select(PRINTED.CONTENT)
        .from(PRINTED)
        .where(
            PRINTED.ID.eq(file),
            PRINTED.COURSE_ID.eq(seat.course()),
            PRINTED.PERSON_ID.eq(seat.person().id()))
        .fetchOptional(PRINTED.CONTENT)
        .orElseThrow(() -> Problem.notFound("file"));
  }

  void forget() {
    db.deleteFrom(PRINTED).where(PRINTED.MADE_AT.lt(clock.instant().minus(KEPT))).execute();
  }
}
