package yendrik.server.credential;

import static yendrik.schema.Tables.AWARD;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.CREDENTIAL;
import static yendrik.schema.Tables.PERSON;

import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.Badge;
import yendrik.core.id.PersonId;
import yendrik.core.words.Phrase;
import yendrik.formats.badge.OwnPicture;
import yendrik.formats.credential.Baking;
import yendrik.formats.credential.OpenBadge;
import yendrik.formats.credential.OpenRecord;
import yendrik.formats.credential.Token;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.AwardRecord;
import yendrik.schema.tables.records.CredentialRecord;
import yendrik.server.award.AwardState;
import yendrik.server.certificate.Paper;
import yendrik.server.certificate.Prints;
import yendrik.server.design.BadgePicture;
import yendrik.server.design.BadgePictures;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.People;

/** The badges of a person, from all courses, to be taken along and shown. */
@Service
@Transactional
public class MyCredentials {
  /** Of a picture to take along, in pixels. */
  private static final int PICTURE = 512;

  private final DSLContext db;
  private final Designs designs;
  private final BadgePictures pictures;
  private final People people;
  private final Prints prints;
  private final Hosted hosted;
  private final Signing signing;
  private final IssuerKeyStore keys;
  private final Institutions institutions;
  private final Paper paper;
  private final Clock clock;
  private final String address;

  MyCredentials(
      DSLContext db,
      Designs designs,
      BadgePictures pictures,
      People people,
      Prints prints,
      Hosted hosted,
      Signing signing,
      IssuerKeyStore keys,
      Institutions institutions,
      Paper paper,
      Clock clock,
      @Value("${yendrik.address}") String address) {
    this.db = db;
    this.designs = designs;
    this.pictures = pictures;
    this.people = people;
    this.prints = prints;
    this.hosted = hosted;
    this.signing = signing;
    this.keys = keys;
    this.institutions = institutions;
    this.paper = paper;
    this.clock = clock;
    this.address = address;
  }

  /** What a badge is taken along as. */
  enum Form {
    PNG("image/png", "png"),
    SVG("image/svg+xml", "svg"),
    JSON("application/vc", "json"),
    JWT("application/vc+jwt", "jwt"),
    /** A picture with a signed assertion of Open Badges 2.0. */
    EARLIER("image/png", "png"),
    EARLIER_SVG("image/svg+xml", "svg"),
    /** On paper: its certificate, or what it is where it has none. */
    PDF("application/pdf", "pdf");

    private final String mediaType;
    private final String ending;

    Form(String mediaType, String ending) {
      this.mediaType = mediaType;
      this.ending = ending;
    }
  }

  /**
   * An award.
   *
   * @param ready whether it is signed and can be taken along
   * @param shown the address of the page that shows it to everybody; empty if nobody may see it
   */
  @Schema(name = "MyAward")
  record AwardView(
      UUID id,
      String name,
      String description,
      String course,
      BadgePicture picture,
      Instant awardedAt,
      Optional<Instant> endsAt,
      AwardState state,
      Optional<String> revokedReason,
      boolean ready,
      Optional<String> shown) {}

  @Transactional(readOnly = true)
  List<AwardView> of(PersonId person) {
    List<AwardView> views = new ArrayList<>();
    db.select(AWARD.fields())
        .select(COURSE.NAME, CREDENTIAL.AWARD_ID, CREDENTIAL.PUBLISHED_AT)
        .from(AWARD)
        .join(COURSE)
        .on(COURSE.ID.eq(AWARD.COURSE_ID))
        .leftJoin(CREDENTIAL)
        .on(CREDENTIAL.AWARD_ID.eq(AWARD.ID))
        .where(AWARD.PERSON_ID.eq(person))
        .orderBy(AWARD.AWARDED_AT.desc())
        .forEach(row -> {
          AwardRecord award = row.into(AWARD);
          Designs.Ready ready = designs.version(award.getCourseId(), award.getDesignVersion());
          Optional<Badge> badge = ready.document().design().badge(award.getBadgeId());
          if (badge.isEmpty()) return;
          Optional<Instant> end = Optional.ofNullable(award.getEndsAt());
          views.add(
              new AwardView(
                  award.getId(),
                  badge.get().name(),
                  badge.get().description(),
                  row.get(COURSE.NAME),
                  ready.document().face(award.getBadgeId()).picture(),
                  award.getAwardedAt(),
                  end,
                  award.getRevokedAt() != null
                      ? AwardState.REVOKED
                      : AwardState.of(end, badge.get().validity(), clock.instant()),
                  Optional.ofNullable(award.getRevokedReason()),
                  row.get(CREDENTIAL.AWARD_ID) != null,
                  Optional.ofNullable(row.get(CREDENTIAL.PUBLISHED_AT))
                      .map(_ -> page(award.getId()))));
        });
    return views;
  }

  private String page(UUID award) {
    return address + "/badge/" + award;
  }

  /** A file to take along. */
  record Taken(String name, String mediaType, byte[] content) {}

  @Transactional
  Taken file(PersonId person, UUID id, Form form) {
    AwardRecord award = own(person, id);
    CredentialRecord signed = signed(id);
    Designs.Ready ready = designs.version(award.getCourseId(), award.getDesignVersion());
    BadgePicture picture = ready.document().face(award.getBadgeId()).picture();
    String name =
        ready.document().design().badge(award.getBadgeId()).map(Badge::name).orElse("badge");
    byte[] content =
        switch (form) {
          case PNG ->
              Baking.intoPng(
                  pictures.png(picture, PICTURE), Baking.Kind.CREDENTIAL, signed.getProved());
          case EARLIER ->
              Baking.intoPng(
                  pictures.png(picture, PICTURE),
                  Baking.Kind.ASSERTION,
                  hosted.signed(signed.getProved()));
          case SVG -> svg(picture, Baking.Kind.CREDENTIAL, signed.getProved());
          case EARLIER_SVG ->
              svg(picture, Baking.Kind.ASSERTION, hosted.signed(signed.getProved()));
          case JSON -> signed.getProved().getBytes(StandardCharsets.UTF_8);
          case JWT -> token(signed).getBytes(StandardCharsets.UTF_8);
          case PDF -> paper(award, signed, ready);
        };
    return new Taken(name + "." + form.ending, form.mediaType, content);
  }

  /** Signed when somebody asks: it is always the same one, by the key of when it was proved. */
  private String token(CredentialRecord signed) {
    ObjectNode proved = (ObjectNode) CoreJson.mapper().readTree(signed.getProved());
    String list = proved.at("/credentialStatus/statusListCredential").asString("");
    // by the name that this form has for its issuer
    if (list.endsWith("/of/" + signed.getIssuerKeyId()))
      ((ObjectNode) proved.path("credentialStatus")).put("statusListCredential", list + "/token");
    return Token.of(proved, keys.one(signed.getIssuerKeyId()).orElseThrow().keys());
  }

  /**
   * All badges of a person that are signed and hold now, as one signed record.
   *
   * @throws Problem if there is none
   */
  Taken record(PersonId person) {
    List<JsonNode> all =
        db
            .select(CREDENTIAL.PROVED)
            .from(CREDENTIAL)
            .join(AWARD)
            .on(AWARD.ID.eq(CREDENTIAL.AWARD_ID))
            .where(
                AWARD.PERSON_ID.eq(person),
                AWARD.REVOKED_AT.isNull(),
                AWARD.ENDS_AT.isNull().or(AWARD.ENDS_AT.gt(clock.instant())))
            .orderBy(AWARD.AWARDED_AT)
            .fetch(CREDENTIAL.PROVED)
            .stream()
            .map(proved -> CoreJson.mapper().readTree(proved))
            .toList();
    if (all.isEmpty()) throw Problem.conflict("badge-not-signed-yet");
    String email =
        db.select(PERSON.EMAIL).from(PERSON).where(PERSON.ID.eq(person)).fetchSingle(PERSON.EMAIL);
    OpenBadge.Issuer issuer = signing.issuer();
    String name = institutions.say(Phrase.of("credential.record", "issuer", issuer.name()));
    String token =
        OpenRecord.token(
            UUID.randomUUID(),
            name,
            issuer,
            OpenBadge.Holder.of(email, UUID.randomUUID().toString()),
            all,
            keys.inUse().keys(),
            clock.instant());
    return new Taken(name + ".jwt", Form.JWT.mediaType, token.getBytes(StandardCharsets.UTF_8));
  }

  private byte[] paper(AwardRecord award, CredentialRecord signed, Designs.Ready ready) {
    if (award.getRevokedAt() != null) throw Problem.conflict("revoked-is-not-printed");
    return prints
        .of(award.getId())
        .map(Prints.File::content)
        .orElseGet(() ->
            paper.plain(
                people.names(List.of(award.getPersonId())).getOrDefault(award.getPersonId(), ""),
                award,
                ready,
                Optional.ofNullable(signed.getPublishedAt()).map(_ -> page(award.getId()))));
  }

  private byte[] svg(BadgePicture picture, Baking.Kind kind, String credential) {
    OwnPicture shown = pictures.shown(picture);
    if (!shown.mediaType().equals(OwnPicture.SVG)) throw Problem.conflict("badge-has-no-svg");
    return Baking.intoSvg(new String(shown.content(), StandardCharsets.UTF_8), kind, credential)
        .getBytes(StandardCharsets.UTF_8);
  }

  /** Shows a badge to everybody, or to nobody any more. */
  void show(PersonId person, UUID id, boolean shown) {
    own(person, id);
    signed(id);
    db.update(CREDENTIAL)
        .set(CREDENTIAL.PUBLISHED_AT, shown ? clock.instant() : null)
        .where(CREDENTIAL.AWARD_ID.eq(id))
        .execute();
  }

  /** The awards of a person. */
  @Transactional(readOnly = true)
  public List<UUID> own(PersonId person) {
    return db.select(AWARD.ID).from(AWARD).where(AWARD.PERSON_ID.eq(person)).fetch(AWARD.ID);
  }

  /**
   * A badge as it goes outside, with its proof.
   *
   * @throws Problem if it is not the person's, or not signed yet
   */
  @Transactional(readOnly = true)
  public String proved(PersonId person, UUID id) {
    own(person, id);
    return signed(id).getProved();
  }

  private AwardRecord own(PersonId person, UUID id) {
    return db.selectFrom(AWARD)
        .where(AWARD.ID.eq(id), AWARD.PERSON_ID.eq(person))
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("badge"));
  }

  private CredentialRecord signed(UUID id) {
    return db.selectFrom(CREDENTIAL)
        .where(CREDENTIAL.AWARD_ID.eq(id))
        .fetchOptional()
        .orElseThrow(() -> Problem.conflict("badge-not-signed-yet"));
  }
}
