package yendrik.server.credential;

import static yendrik.schema.Tables.AWARD;
import static yendrik.schema.Tables.CREDENTIAL;

import java.nio.charset.StandardCharsets;
import java.security.PublicKey;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.credential.OpenBadge2;
import yendrik.formats.credential.Place;
import yendrik.formats.json.CoreJson;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institution;
import yendrik.server.institution.Institutions;

/**
 * Badges in the words of Open Badges 2.0. What is hosted is found as long as its holder shows it.
 */
@Service
@Transactional(readOnly = true)
class Hosted {
  private static final String NAMED = "urn:uuid:";

  private final DSLContext db;
  private final IssuerKeyStore keys;
  private final Institutions institutions;
  private final String home;
  private final String address;

  Hosted(
      DSLContext db,
      IssuerKeyStore keys,
      Institutions institutions,
      @Value("${yendrik.address}") String address) {
    this.db = db;
    this.keys = keys;
    this.institutions = institutions;
    this.address = address;
    home = address + "/api/public/open-badges-2/";
  }

  private OpenBadge2.Places places(long key) {
    return new OpenBadge2.Places(home + "issuer", home + "keys/" + key, home + "revoked");
  }

  /**
   * Something of an award that is hosted.
   *
   * @param gone whether it was revoked
   */
  record Found(ObjectNode said, boolean gone) {}

  /** The assertion of an award that its holder shows. */
  Found assertion(UUID award) {
    var row =
        db.select(CREDENTIAL.PROVED, AWARD.REVOKED_AT)
            .from(CREDENTIAL)
            .join(AWARD)
            .on(AWARD.ID.eq(CREDENTIAL.AWARD_ID))
            .where(CREDENTIAL.AWARD_ID.eq(award), CREDENTIAL.PUBLISHED_AT.isNotNull())
            .fetchOptional()
            .orElseThrow(() -> Problem.notFound("badge"));
    String id = home + "assertions/" + award;
    return row.get(AWARD.REVOKED_AT) != null
        ? new Found(OpenBadge2.revoked(id), /* gone= */ true)
        : new Found(
            OpenBadge2.hosted(read(row.get(CREDENTIAL.PROVED)), id, home + "badges/" + award),
            /* gone= */ false);
  }

  private static JsonNode read(String credential) {
    return CoreJson.mapper().readTree(credential);
  }

  /** What an award that its holder shows stands for. */
  ObjectNode badge(UUID award) {
    return db.select(CREDENTIAL.PROVED)
        .from(CREDENTIAL)
        .where(CREDENTIAL.AWARD_ID.eq(award), CREDENTIAL.PUBLISHED_AT.isNotNull())
        .fetchOptional(CREDENTIAL.PROVED)
        .map(proved -> OpenBadge2.badge(read(proved), home + "badges/" + award, home + "issuer"))
        .orElseThrow(() -> Problem.notFound("badge"));
  }

  @Transactional
  public ObjectNode issuer() {
    Institution now = institutions.now();
    return OpenBadge2.issuer(
        now.issuer(),
        now.issuerAddress().isEmpty() ? address : now.issuerAddress(),
        Optional.of(now.issuerEmail()).filter(email -> !email.isEmpty()),
        places(keys.inUse().id()));
  }

  ObjectNode key(long id) {
    return keys.one(id)
        .map(kept -> OpenBadge2.key(kept.keys().rsa().getPublic(), places(id)))
        .orElseThrow(() -> Problem.notFound("badge"));
  }

  @Transactional
  public ObjectNode revoked() {
    List<String> awards =
        db.select(AWARD.ID)
            .from(AWARD)
            .join(CREDENTIAL)
            .on(CREDENTIAL.AWARD_ID.eq(AWARD.ID))
            .where(AWARD.REVOKED_AT.isNotNull())
            .orderBy(AWARD.REVOKED_AT, AWARD.ID)
            .fetch(row -> NAMED + row.value1());
    return OpenBadge2.revocations(awards, places(keys.inUse().id()));
  }

  /** A credential as a signed assertion. */
  @Transactional
  public String signed(String credential) {
    IssuerKeyStore.Kept kept = keys.inUse();
    return OpenBadge2.signed(read(credential), kept.keys(), places(kept.id()));
  }

  /** What stands at one of its addresses. */
  @Transactional
  public Place at(String asked) {
    if (!asked.startsWith(home)) return new Place.Away();
    String[] parts = asked.substring(home.length()).split("/", -1);
    String last = parts[parts.length - 1];
    return switch (parts[0]) {
      case "assertions" -> {
        Found found = assertion(UUID.fromString(last));
        yield found.gone() ? new Place.Gone() : there(found.said());
      }
      case "badges" -> there(badge(UUID.fromString(last)));
      case "issuer" -> there(issuer());
      default -> new Place.Away();
    };
  }

  private static Place there(ObjectNode said) {
    return new Place.There(said.toString().getBytes(StandardCharsets.UTF_8));
  }

  /** A key of ours by its address. */
  Optional<PublicKey> keyAt(String at) {
    if (!isKey(at)) return Optional.empty();
    try {
      return keys.one(Long.parseLong(at.substring((home + "keys/").length())))
          .map(kept -> kept.keys().rsa().getPublic());
    } catch (NumberFormatException _) {
      return Optional.empty();
    }
  }

  /** Whether an address is that of a key of ours. */
  boolean isKey(String at) {
    return at.startsWith(home + "keys/");
  }

  /** Whether an award was revoked, by the name or the address of its assertion. */
  Optional<Boolean> revoked(String assertion) {
    String hosted = home + "assertions/";
    String id =
        assertion.startsWith(NAMED)
            ? assertion.substring(NAMED.length())
            : assertion.startsWith(hosted) ? assertion.substring(hosted.length()) : "";
    try {
      return db.select(AWARD.REVOKED_AT)
          .from(AWARD)
          .where(AWARD.ID.eq(UUID.fromString(id)))
          .fetchOptional()
          .map(row -> row.value1() != null);
    } catch (IllegalArgumentException _) {
      return Optional.empty();
    }
  }
}
