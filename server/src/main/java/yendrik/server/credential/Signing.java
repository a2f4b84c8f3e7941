package yendrik.server.credential;

import static java.util.Objects.requireNonNull;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;
import static yendrik.schema.Tables.AWARD;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.CREDENTIAL;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.PERSON;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import yendrik.core.course.Badge;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.words.Wording;
import yendrik.core.words.Phrase;
import yendrik.formats.credential.OpenBadge;
import yendrik.formats.credential.Proving;
import yendrik.formats.credential.StatusList;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.AwardRecord;
import yendrik.schema.tables.records.CredentialRecord;
import yendrik.server.design.BadgeCriteria;
import yendrik.server.design.BadgeFace;
import yendrik.server.design.BadgePictures;
import yendrik.server.design.Designs;
import yendrik.server.institution.Institution;
import yendrik.server.institution.Institutions;

/**
 * Signs awards after the acts that brought them, so that no act waits for it: whatever is not
 * signed yet is due, also after a stop. Several servers share the work.
 */
@Component
class Signing {
  private static final Logger LOG = LoggerFactory.getLogger(Signing.class);
  private static final Duration LATER = Duration.ofMinutes(10);

  /** Few, since nobody changes an award while it is signed. */
  private static final int AT_ONCE = 50;

  /** Of the picture within a credential, in pixels. */
  private static final int PICTURE = 256;

  private final DSLContext db;
  private final Designs designs;
  private final BadgePictures pictures;
  private final Institutions institutions;
  private final IssuerKeyStore keys;
  private final TransactionTemplate transaction;
  private final Clock clock;
  private final String address;

  Signing(
      DSLContext db,
      Designs designs,
      BadgePictures pictures,
      Institutions institutions,
      IssuerKeyStore keys,
      TransactionTemplate transaction,
      Clock clock,
      @Value("${yendrik.address}") String address) {
    this.db = db;
    this.designs = designs;
    this.pictures = pictures;
    this.institutions = institutions;
    this.keys = keys;
    this.transaction = transaction;
    this.clock = clock;
    this.address = address;
  }

  /**
   * Signs all that is due, several in a transaction; one that cannot be signed holds up no other.
   */
  void signDue() {
    var round = new Round();
    List<UUID> due = due();
    for (int from = 0; from < due.size(); from += AT_ONCE) {
      List<UUID> several = due.subList(from, Math.min(due.size(), from + AT_ONCE));
      try {
        transaction.executeWithoutResult(_ -> sign(claim(several), round));
      } catch (RuntimeException _) {
        several.forEach(award -> alone(award, round));
      }
    }
  }

  /** What the awards of a round have alike. */
  private record Round(Map<List<Object>, OpenBadge.Achievement> known, Proving proving) {
    Round() {
      this(new HashMap<>(), new Proving());
    }
  }

  private void alone(UUID award, Round round) {
    try {
      transaction.executeWithoutResult(_ -> sign(claim(List.of(award)), round));
    } catch (RuntimeException e) {
      LOG.error("award {} could not be signed; it is tried again", award, e);
      transaction.executeWithoutResult(_ ->
          db.update(AWARD)
              .set(AWARD.SIGN_FROM, clock.instant().plus(LATER))
              .where(AWARD.ID.eq(award))
              .execute());
    }
  }

  private List<UUID> due() {
    return db.select(AWARD.ID)
        .from(AWARD)
        .where(unsigned(), AWARD.SIGN_FROM.isNull().or(AWARD.SIGN_FROM.le(clock.instant())))
        .orderBy(AWARD.AWARDED_AT, AWARD.ID)
        .fetch(AWARD.ID);
  }

  private static Condition unsigned() {
    return notExists(selectOne().from(CREDENTIAL).where(CREDENTIAL.AWARD_ID.eq(AWARD.ID)));
  }

  /** Without those that another server signs, or has signed. */
  private List<AwardRecord> claim(List<UUID> awards) {
    List<AwardRecord> free =
        db.selectFrom(AWARD)
            .where(AWARD.ID.in(awards))
            .orderBy(AWARD.AWARDED_AT, AWARD.ID)
            .forNoKeyUpdate()
            .skipLocked()
            .fetch();
    // asked once they are locked: another server may have signed some in between
    Set<UUID> signed =
        db.select(CREDENTIAL.AWARD_ID)
            .from(CREDENTIAL)
            .where(CREDENTIAL.AWARD_ID.in(awards))
            .fetchSet(CREDENTIAL.AWARD_ID);
    return free.stream().filter(award -> !signed.contains(award.getId())).toList();
  }

  private void sign(List<AwardRecord> awards, Round round) {
    if (awards.isEmpty()) return;
    IssuerKeyStore.Kept kept = keys.inUse();
    OpenBadge.Issuer issuer = issuer();
    Map<PersonId, String> emails =
        db.select(PERSON.ID, PERSON.EMAIL)
            .from(PERSON)
            .where(PERSON.ID.in(awards.stream().map(AwardRecord::getPersonId).toList()))
            .fetchMap(PERSON.ID, PERSON.EMAIL);
    Instant now = clock.instant();
    Map<UUID, CredentialRecord> places =
        db.insertInto(CREDENTIAL)
            .columns(
                CREDENTIAL.AWARD_ID,
                CREDENTIAL.ISSUER_KEY_ID,
                CREDENTIAL.SALT,
                CREDENTIAL.PROVED,
                CREDENTIAL.SIGNED_AT)
            .valuesOfRows(
                awards.stream()
                    .map(a -> DSL.row(a.getId(), kept.id(), UUID.randomUUID().toString(), "", now))
                    .toList())
            .returning(
                CREDENTIAL.AWARD_ID, CREDENTIAL.ISSUER_KEY_ID, CREDENTIAL.SALT, CREDENTIAL.PLACE)
            .fetchMap(CREDENTIAL.AWARD_ID);
    for (AwardRecord award : awards) {
      CredentialRecord row = requireNonNull(places.get(award.getId()));
      String email = requireNonNull(emails.get(award.getPersonId()));
      OpenBadge open = open(award, row, issuer, email, round.known());
      row.setProved(round.proving().signed(open, kept.keys(), now).toString());
    }
    db.batchUpdate(places.values()).execute();
  }

  private OpenBadge open(
      AwardRecord award,
      CredentialRecord row,
      OpenBadge.Issuer issuer,
      String email,
      Map<List<Object>, OpenBadge.Achievement> known) {
    Designs.Ready ready = designs.version(award.getCourseId(), award.getDesignVersion());
    Badge badge = ready.document().design().badge(award.getBadgeId()).orElseThrow();
    OpenBadge.Achievement achievement =
        known.computeIfAbsent(
            List.of(award.getBadgeId(), award.getDesignVersion()),
            _ -> achievement(award.getCourseId(), ready, badge));
    return new OpenBadge(
        award.getId(),
        award.getAwardedAt(),
        Optional.ofNullable(award.getEndsAt()),
        issuer,
        OpenBadge.Holder.of(email, row.getSalt()),
        achievement,
        results(award, ready, achievement),
        evidence(award),
        Optional.of(
            new OpenBadge.Status(
                list(address, row.getPlace() / StatusList.SIZE, row.getIssuerKeyId()),
                row.getPlace() % StatusList.SIZE)));
  }

  /** Where lists of what was revoked are. */
  static String lists(String address) {
    return address + "/api/public/revoked/";
  }

  /** Where a list is that is signed with the keys of this number. */
  static String list(String address, long list, long key) {
    return lists(address) + list + "/of/" + key;
  }

  /** Who issues, as it is told with each badge. */
  OpenBadge.Issuer issuer() {
    Institution now = institutions.now();
    return new OpenBadge.Issuer(
        now.issuer(),
        Optional.of(now.issuerAddress().isEmpty() ? address : now.issuerAddress()),
        Optional.of(now.issuerEmail()).filter(email -> !email.isEmpty()),
        now.picture().map(hash -> address + "/api/institution/picture/" + hash));
  }

  private OpenBadge.Achievement achievement(CourseId course, Designs.Ready ready, Badge badge) {
    BadgeFace face = ready.document().face(badge.id());
    var course_ =
        db.select(COURSE.IDENTIFIER, COURSE.NAME)
            .from(COURSE)
            .where(COURSE.ID.eq(course))
            .fetchSingle();
    Map<OutcomeId, UUID> identifiers =
        db.select(OUTCOME.ID, OUTCOME.IDENTIFIER)
            .from(OUTCOME)
            .where(OUTCOME.ID.in(face.outcomes()))
            .fetchMap(OUTCOME.ID, OUTCOME.IDENTIFIER);
    List<OpenBadge.Outcome> outcomes = new ArrayList<>();
    for (OutcomeId id : face.outcomes()) {
      Optional<Outcome> outcome = ready.document().design().outcome(id);
      UUID identifier = identifiers.get(id);
      if (outcome.isEmpty() || identifier == null) continue;
      Scale scale = outcome.get().scale();
      List<String> levels = scale.levels().stream().map(Scale.Level::name).toList();
      outcomes.add(
          new OpenBadge.Outcome(
              identifier,
              address + "/ims/case/v1p1/CFItems/" + identifier,
              outcome.get().code(),
              outcome.get().name(),
              course_.get(COURSE.NAME),
              levels,
              levels.get(scale.mastery())));
    }
    byte[] png = pictures.png(face.picture(), PICTURE);
    return new OpenBadge.Achievement(
        "urn:uuid:"
            + UUID.nameUUIDFromBytes(
                (course_.get(COURSE.IDENTIFIER) + " badge " + badge.id())
                    .getBytes(java.nio.charset.StandardCharsets.UTF_8)),
        face.sheet().isPresent() ? "Certificate" : "Badge",
        badge.name(),
        badge.description(),
        criteria(ready, badge, face),
        Optional.of("data:image/png;base64," + Base64.getEncoder().encodeToString(png)),
        face.picture().alt(),
        face.tags(),
        outcomes);
  }

  /** How it is earned, in the designer's words or in those of its rule. */
  private String criteria(Designs.Ready ready, Badge badge, BadgeFace face) {
    var wording =
        new Wording(
            ready.document().design(),
            institutions.writing(ready.document().design().zone(), clock.instant()));
    return face.criteria()
        .map(BadgeCriteria::text)
        .or(() ->
            badge.earnedWhen().map(rule -> wording.line(rule, new RuleAt.BadgeEarned(badge.id()))))
        .orElseGet(() -> institutions.say(Phrase.of("credential.by-hand")));
  }

  private static List<OpenBadge.Result> results(
      AwardRecord award, Designs.Ready ready, OpenBadge.Achievement achievement) {
    JsonNode levels = CoreJson.mapper().readTree(award.getLevels().data());
    List<OpenBadge.Result> all = new ArrayList<>();
    for (OpenBadge.Outcome of : achievement.outcomes())
      ready.document().design().outcomes().stream()
          .filter(o -> o.code().equals(of.code()))
          .findFirst()
          .ifPresent(outcome -> {
            JsonNode key = levels.path(outcome.id().toString());
            outcome.scale().levels().stream()
                .filter(level -> key.isNumber() && level.key() == key.asInt())
                .findFirst()
                .ifPresent(level -> all.add(new OpenBadge.Result(of.identifier(), level.name())));
          });
    return all;
  }

  private static Optional<OpenBadge.Evidence> evidence(AwardRecord award) {
    Optional<String> at = Optional.ofNullable(award.getEvidence());
    return award.getReason().isEmpty() && at.isEmpty()
        ? Optional.empty()
        : Optional.of(new OpenBadge.Evidence(award.getReason(), at));
  }
}
