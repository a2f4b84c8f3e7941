package yendrik.server.certificate;

import static yendrik.schema.Tables.AWARD;
import static yendrik.schema.Tables.CERTIFICATE;
import static yendrik.schema.Tables.COURSE;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Badge;
import yendrik.core.id.BadgeId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.words.Phrase;
import yendrik.formats.table.Cell;
import yendrik.schema.tables.records.AwardRecord;
import yendrik.schema.tables.records.CertificateRecord;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.People;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.watch.report.Report;

/** What is in the register, as staff of a course and those who check see it. */
@Service
@Transactional(readOnly = true)
class Registered {
  private final DSLContext db;
  private final Learners learners;
  private final Designs designs;
  private final People people;
  private final Institutions institutions;
  private final Scripts scripts;
  private final Clock clock;

  Registered(
      DSLContext db,
      Learners learners,
      Designs designs,
      People people,
      Institutions institutions,
      Scripts scripts,
      Clock clock) {
    this.db = db;
    this.learners = learners;
    this.designs = designs;
    this.people = people;
    this.institutions = institutions;
    this.scripts = scripts;
    this.clock = clock;
  }

  /** What a certificate is worth now. */
  enum CertificateState {
    VALID,
    ENDED,
    REVOKED,
    /** Another one was given in its place. */
    REPLACED
  }

  /**
   * A certificate of the register.
   *
   * @param name as it stands on the paper
   * @param learner as they are called now
   * @param unprinted whether there are letters in the name for which there is no font
   * @param by who gave it anew; empty for one that was made with its award
   */
  @Schema(name = "RegisteredCertificate")
  record CertificateView(
      long id,
      String number,
      BadgeId badge,
      String title,
      EnrolmentId enrolment,
      PersonId person,
      String name,
      boolean unprinted,
      String learner,
      Instant awardedAt,
      Optional<Instant> endsAt,
      Instant madeAt,
      Optional<String> by,
      String reason,
      CertificateState state) {}

  /** The certificates of those whom somebody sees, the newest first. */
  List<CertificateView> of(Seat seat) {
    Map<EnrolmentId, Learners.Snapshot> seen =
        learners.of(seat).stream()
            .collect(Collectors.toMap(Learners.Snapshot::enrolment, Function.identity()));
    List<Row> rows =
        db
            .select(CERTIFICATE.fields())
            .select(AWARD.fields())
            .from(CERTIFICATE)
            .join(AWARD)
            .on(AWARD.ID.eq(CERTIFICATE.AWARD_ID))
            .where(AWARD.COURSE_ID.eq(seat.course()))
            .orderBy(CERTIFICATE.MADE_AT.desc(), CERTIFICATE.ID.desc())
            .fetch(row -> new Row(row.into(CERTIFICATE), row.into(AWARD)))
            .stream()
            .filter(row -> seen.containsKey(row.award().getEnrolmentId()))
            .toList();
    Set<PersonId> staff = new HashSet<>();
    rows.forEach(r -> Optional.ofNullable(r.certificate().getMadeById()).ifPresent(staff::add));
    Map<PersonId, String> names = people.names(staff);
    List<CertificateView> views = new ArrayList<>();
    for (Row row : rows) {
      Learners.Snapshot learner = seen.get(row.award().getEnrolmentId());
      if (learner != null) views.add(view(row, learner, names));
    }
    return views;
  }

  private record Row(CertificateRecord certificate, AwardRecord award) {}

  private CertificateView view(Row row, Learners.Snapshot learner, Map<PersonId, String> names) {
    CertificateRecord c = row.certificate();
    AwardRecord award = row.award();
    return new CertificateView(
        c.getId(),
        c.getNumber(),
        award.getBadgeId(),
        title(row),
        award.getEnrolmentId(),
        award.getPersonId(),
        c.getName(),
        !scripts.has(c.getName()),
        learner.name(),
        award.getAwardedAt(),
        Optional.ofNullable(award.getEndsAt()),
        c.getMadeAt(),
        Optional.ofNullable(c.getMadeById()).map(by -> names.getOrDefault(by, "")),
        c.getReason(),
        state(row));
  }

  private String title(Row row) {
    return designs
        .version(row.award().getCourseId(), row.certificate().getDesignVersion())
        .document()
        .design()
        .badge(row.award().getBadgeId())
        .map(Badge::name)
        .orElse("");
  }

  private CertificateState state(Row row) {
    if (row.award().getRevokedAt() != null) return CertificateState.REVOKED;
    if (row.certificate().getReplacedAt() != null) return CertificateState.REPLACED;
    Instant end = row.award().getEndsAt();
    return end != null && !clock.instant().isBefore(end)
        ? CertificateState.ENDED
        : CertificateState.VALID;
  }

  /**
   * One of those that somebody sees.
   *
   * @throws Problem if it is not there, or somebody may not see it
   */
  CertificateRecord one(Seat seat, long id) {
    CertificateRecord certificate =
        db.selectFrom(CERTIFICATE)
            .where(CERTIFICATE.ID.eq(id))
            .fetchOptional()
            .orElseThrow(() -> Problem.notFound("certificate"));
    boolean sees =
        db.select(AWARD.ENROLMENT_ID)
            .from(AWARD)
            .where(AWARD.ID.eq(certificate.getAwardId()), AWARD.COURSE_ID.eq(seat.course()))
            .fetchOptional(AWARD.ENROLMENT_ID)
            .filter(learner -> learners.sees(seat, learner))
            .isPresent();
    if (!sees) throw Problem.notFound("certificate");
    return certificate;
  }

  /** Makes sure that somebody sees all of these. */
  void seesAll(Seat seat, Collection<Long> ids) {
    Set<Long> seen = of(seat).stream().map(CertificateView::id).collect(Collectors.toSet());
    if (!seen.containsAll(ids)) throw Problem.notFound("certificate");
  }

  /** The register as a table. */
  Report.Sheet sheet(Seat seat) {
    ZoneId zone =
        designs
            .published(seat.course())
            .map(r -> r.document().design().zone())
            .orElse(ZoneOffset.UTC);
    return new Report.Sheet(
        Stream.of("number", "name", "what", "given", "ends", "state", "made", "reason")
            .map(head -> institutions.say(Phrase.of("certificate.head." + head)))
            .toList(),
        of(seat).stream()
            .map(c ->
                List.of(
                    Cell.of(c.number()),
                    Cell.of(c.name()),
                    Cell.of(c.title()),
                    Cell.of(LocalDate.ofInstant(c.awardedAt(), zone).toString()),
                    Cell.of(
                        c.endsAt()
                            .map(end ->
                                LocalDate.ofInstant(end.minus(Paper.MOMENT), zone).toString())
                            .orElse("")),
                    Cell.of(institutions.say(Phrase.of("certificate.state." + c.state()))),
                    Cell.of(LocalDate.ofInstant(c.madeAt(), zone).toString()),
                    Cell.of(c.reason()))));
  }

  /**
   * A certificate, as whoever has the paper checks it.
   *
   * @param endsAt when it is not valid any more
   */
  @Schema(name = "CheckedCertificate")
  record CheckedView(
      String number,
      String name,
      String title,
      String course,
      String issuer,
      Instant awardedAt,
      Optional<Instant> endsAt,
      CertificateState state) {}

  /** What the register says of a code that stands on a paper. */
  CheckedView checked(String typed) {
    return db.select(CERTIFICATE.fields())
        .select(AWARD.fields())
        .select(COURSE.NAME)
        .from(CERTIFICATE)
        .join(AWARD)
        .on(AWARD.ID.eq(CERTIFICATE.AWARD_ID))
        .join(COURSE)
        .on(COURSE.ID.eq(AWARD.COURSE_ID))
        .where(CERTIFICATE.CODE.eq(CertificateRegister.read(typed)))
        .fetchOptional(r -> {
          var row = new Row(r.into(CERTIFICATE), r.into(AWARD));
          return new CheckedView(
              row.certificate().getNumber(),
              row.certificate().getName(),
              title(row),
              r.get(COURSE.NAME),
              institutions.now().issuer(),
              row.award().getAwardedAt(),
              Optional.ofNullable(row.award().getEndsAt()),
              state(row));
        })
        .orElseThrow(() -> Problem.notFound("certificate"));
  }
}
