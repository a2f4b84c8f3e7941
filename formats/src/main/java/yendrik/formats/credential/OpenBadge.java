package yendrik.formats.credential;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * An award as a credential of Open Badges 3.0 (1EdTech), which is a Verifiable Credential 2.0
 * (W3C).
 *
 * @param endsAt when it is not valid any more
 * @param holder by whom it can be known that it is theirs
 * @param evidence what was seen, for one that was given by hand
 * @param status where it is told whether it was revoked
 */
public record OpenBadge(
    UUID id,
    Instant awardedAt,
    Optional<Instant> endsAt,
    Issuer issuer,
    Holder holder,
    Achievement achievement,
    List<Result> results,
    Optional<Evidence> evidence,
    Optional<Status> status) {

  /**
   * Who issues.
   *
   * @param url its address on the web
   * @param image the address of its picture
   */
  public record Issuer(
      String name, Optional<String> url, Optional<String> email, Optional<String> image) {}

  /** Somebody's e-mail address, so that it can be told but not read. */
  public record Holder(String hash, String salt) {
    /** The hash of an address and a salt, as the standard says. */
    public static Holder of(String email, String salt) {
      String known = email.strip().toLowerCase(Locale.ROOT) + salt;
      byte[] hash = Canonical.sha256(known.getBytes(StandardCharsets.UTF_8));
      return new Holder("sha256$" + HexFormat.of().formatHex(hash), salt);
    }

    /** Whether it is the hash of this address. */
    public boolean is(String email) {
      return of(email, salt).hash().equals(hash);
    }
  }

  /**
   * What a badge stands for.
   *
   * @param id the same for all of its awards
   * @param type "Badge" or "Certificate"
   * @param image the picture as a data address
   * @param alt what the picture shows
   */
  public record Achievement(
      String id,
      String type,
      String name,
      String description,
      String criteria,
      Optional<String> image,
      String alt,
      List<String> tags,
      List<Outcome> outcomes) {}

  /**
   * An outcome that a badge stands for.
   *
   * @param identifier of CASE
   * @param address where it is described
   * @param levels the names of its scale, weakest first
   * @param mastery the first that counts as mastery
   */
  public record Outcome(
      UUID identifier,
      String address,
      String code,
      String name,
      String framework,
      List<String> levels,
      String mastery) {}

  /** The level that was shown of an outcome. */
  public record Result(UUID outcome, String level) {}

  /**
   * @param address of what shows it
   */
  public record Evidence(String narrative, Optional<String> address) {}

  /**
   * A place in a list of what was revoked (Bitstring Status List 1.0).
   *
   * @param list the address of the list
   */
  public record Status(String list, long index) {}

  /**
   * As JSON, unsigned.
   *
   * @param issuerId who signs it
   */
  public ObjectNode json(String issuerId) {
    ObjectNode all = JsonNodeFactory.instance.objectNode();
    all.putArray("@context").add(Contexts.CREDENTIALS).add(Contexts.OPEN_BADGES);
    all.put("id", "urn:uuid:" + id);
    all.putArray("type").add("VerifiableCredential").add("OpenBadgeCredential");
    all.put("name", achievement.name());
    all.set("issuer", issuer(issuer, issuerId));
    all.put("validFrom", second(awardedAt));
    endsAt.ifPresent(end -> all.put("validUntil", second(end)));
    all.put("awardedDate", second(awardedAt));
    all.set("credentialSubject", subject());
    evidence.ifPresent(e -> {
      ObjectNode one = all.putArray("evidence").addObject();
      e.address().ifPresent(address -> one.put("id", address));
      one.putArray("type").add("Evidence");
      one.put("narrative", e.narrative());
    });
    status.ifPresent(s -> {
      ObjectNode entry = all.putObject("credentialStatus");
      entry.put("id", s.list() + "#" + s.index());
      entry.put("type", "BitstringStatusListEntry");
      entry.put("statusPurpose", "revocation");
      entry.put("statusListIndex", "" + s.index());
      entry.put("statusListCredential", s.list());
    });
    return all;
  }

  static String second(Instant moment) {
    return moment.truncatedTo(ChronoUnit.SECONDS).toString();
  }

  static ObjectNode issuer(Issuer issuer, String id) {
    ObjectNode profile = JsonNodeFactory.instance.objectNode();
    profile.put("id", id);
    profile.putArray("type").add("Profile");
    profile.put("name", issuer.name());
    issuer.url().ifPresent(url -> profile.put("url", url));
    issuer.email().ifPresent(email -> profile.put("email", email));
    issuer
        .image()
        .ifPresent(image -> profile.putObject("image").put("id", image).put("type", "Image"));
    return profile;
  }

  private ObjectNode subject() {
    ObjectNode subject = JsonNodeFactory.instance.objectNode();
    subject.putArray("type").add("AchievementSubject");
    subject.set("identifier", identifier(holder));
    subject.set("achievement", achievementJson());
    if (!results.isEmpty()) {
      ArrayNode all = subject.putArray("result");
      for (Result result : results) {
        ObjectNode one = all.addObject();
        one.put("id", part("urn:uuid:" + id, result.outcome()));
        one.putArray("type").add("Result");
        one.put("resultDescription", "urn:uuid:" + result.outcome());
        achievement.outcomes().stream()
            .filter(outcome -> outcome.identifier().equals(result.outcome()))
            .findFirst()
            .ifPresent(outcome -> one.put("achievedLevel", level(outcome, result.level())));
        one.put("value", result.level());
      }
    }
    return subject;
  }

  static ArrayNode identifier(Holder holder) {
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    all.addObject()
        .put("type", "IdentityObject")
        .put("identityHash", holder.hash())
        .put("identityType", "emailAddress")
        .put("hashed", true)
        .put("salt", holder.salt());
    return all;
  }

  private ObjectNode achievementJson() {
    ObjectNode one = JsonNodeFactory.instance.objectNode();
    one.put("id", achievement.id());
    one.putArray("type").add("Achievement");
    one.put("achievementType", achievement.type());
    one.put("name", achievement.name());
    one.put("description", achievement.description());
    one.putObject("criteria").put("narrative", achievement.criteria());
    achievement
        .image()
        .ifPresent(image -> {
          ObjectNode picture = one.putObject("image").put("id", image).put("type", "Image");
          if (!achievement.alt().isBlank()) picture.put("caption", achievement.alt());
        });
    if (!achievement.tags().isEmpty()) achievement.tags().forEach(one.putArray("tag")::add);
    if (!achievement.outcomes().isEmpty()) {
      ArrayNode alignments = one.putArray("alignment");
      ArrayNode described = one.putArray("resultDescription");
      for (Outcome outcome : achievement.outcomes()) {
        alignments.add(alignment(achievement.id(), outcome));
        ObjectNode result = described.addObject();
        result.put("id", "urn:uuid:" + outcome.identifier());
        result.putArray("type").add("ResultDescription");
        result.put("name", outcome.name());
        result.put("resultType", "RubricCriterionLevel");
        ArrayNode levels = result.putArray("rubricCriterionLevel");
        for (String name : outcome.levels()) {
          ObjectNode level = levels.addObject();
          level.put("id", level(outcome, name));
          level.putArray("type").add("RubricCriterionLevel");
          level.put("name", name);
          level.put("level", "" + rank(outcome, name));
        }
        result.put("requiredLevel", level(outcome, outcome.mastery()));
      }
    }
    return one;
  }

  /** The name of a part: what has none is named anew by whoever canonicalizes, at a cost. */
  private static String part(String whole, Object what) {
    return whole + "#" + what;
  }

  private static String level(Outcome outcome, String name) {
    return part("urn:uuid:" + outcome.identifier(), rank(outcome, name));
  }

  /** Weakest is 1. */
  private static int rank(Outcome outcome, String level) {
    return outcome.levels().indexOf(level) + 1;
  }

  private static ObjectNode alignment(String achievement, Outcome outcome) {
    ObjectNode one = JsonNodeFactory.instance.objectNode();
    one.put("id", part(achievement, outcome.identifier()));
    one.putArray("type").add("Alignment");
    one.put("targetCode", outcome.code());
    one.put("targetFramework", outcome.framework());
    one.put("targetName", outcome.name());
    one.put("targetType", "CFItem");
    one.put("targetUrl", outcome.address());
    return one;
  }
}
