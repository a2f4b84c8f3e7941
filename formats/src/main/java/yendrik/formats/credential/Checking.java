package yendrik.formats.credential;

import java.nio.charset.StandardCharsets;
import java.security.PublicKey;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.Refusal;
import yendrik.core.words.Phrase;
import yendrik.formats.credential.Checked.Came;
import yendrik.formats.credential.Checked.Found;
import yendrik.formats.credential.Checked.Point;

/**
 * Says of any credential what holds and what does not: Open Badges 3.0 with a proof of
 * eddsa-rdfc-2022 or as a token, Open Badges 2.0, as a file or baked into a picture, of whomever.
 * Nothing is fetched but what {@link Around} asks for.
 */
public final class Checking {
  /** The most that is read, in bytes. */
  public static final int MOST = 2 << 20;

  private static final int DEEPEST = 40;

  private static final JsonMapper MAPPER =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(DEEPEST)
                          .maxStringLength(MOST)
                          .build())
                  .build())
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .build();

  private static final Pattern TOKEN =
      Pattern.compile("[A-Za-z0-9_-]+\\.[A-Za-z0-9_-]*\\.[A-Za-z0-9_-]*");

  private static final Pattern PICTURE =
      Pattern.compile("data:image/(?:png|svg\\+xml);base64,[A-Za-z0-9+/=]+");

  private final Around around;
  private final Elsewhere elsewhere;
  private final Instant now;
  private final List<Found> found = new ArrayList<>();

  private Checking(Around around, Elsewhere elsewhere, Instant now) {
    this.around = around;
    this.elsewhere = elsewhere;
    this.now = now;
  }

  /**
   * @param file a credential, a picture with one in it, or the address of either
   * @throws Refusal if there is no credential in it, or several
   */
  public static Checked of(byte[] file, Around around, Instant now) {
    var elsewhere = new Elsewhere(around);
    String text = written(file);
    if (Elsewhere.address(text).isPresent()) text = written(elsewhere.at(text), text);
    return new Checking(around, elsewhere, now).text(text);
  }

  /** The credential that stands at an address. */
  private static String written(Place place, String address) {
    return switch (place) {
      case Place.There(var content) -> written(content);
      case Place.Gone() -> throw new Refusal("badge-gone", "address", address);
      case Place.Away() -> throw new Refusal("badge-away", "address", address);
      case Place.NotAsked() -> throw new Refusal("address-not-asked", "address", address);
    };
  }

  /** The credential that is in a file, as it is written. */
  static String written(byte[] file) {
    if (file.length > MOST) throw new Refusal("credential-too-large", "most", MOST >> 20);
    if (Baking.isPng(file)) return only(Baking.inPng(file));
    String text = new String(file, StandardCharsets.UTF_8).strip();
    if (text.startsWith("\ufeff")) text = text.substring(1).strip();
    return text.startsWith("<") ? only(Baking.inSvg(file)) : text;
  }

  private static String only(List<Baking.Baked> baked) {
    if (baked.isEmpty()) throw new Refusal("picture-without-credential");
    List<Baking.Baked> newest =
        baked.stream().filter(b -> b.kind() == Baking.Kind.CREDENTIAL).toList();
    List<Baking.Baked> those = newest.isEmpty() ? baked : newest;
    if (those.size() > 1) throw new Refusal("picture-with-several", "n", those.size());
    return those.getFirst().text().strip();
  }

  private Checked text(String text) {
    if (TOKEN.matcher(text).matches()) {
      Token token = Token.read(text).orElseThrow(Checking::unreadable);
      JsonNode said = read(token.payload());
      // a token of before version 2 of the data model has the credential in a claim of its own
      JsonNode credential = said.path("vc").isObject() ? said.path("vc") : said;
      return isAssertion(credential)
          ? assertion(credential, Optional.of(token))
          : credential(credential, Optional.of(token), said);
    }
    JsonNode credential = read(text);
    if (credential.path("verifiableCredential").isArray()) return record(credential);
    return isAssertion(credential)
        ? assertion(credential, Optional.empty())
        : credential(credential, Optional.empty(), credential);
  }

  private static JsonNode read(String text) {
    return object(text).orElseThrow(Checking::unreadable);
  }

  /** A text as JSON, if it is an object. */
  static Optional<JsonNode> object(String text) {
    try {
      return Optional.of(MAPPER.readTree(text)).filter(JsonNode::isObject);
    } catch (JacksonException _) {
      return Optional.empty();
    }
  }

  private static Refusal unreadable() {
    return new Refusal("no-credential");
  }

  /** A signed record of several: the one in it is checked where there is one only. */
  private Checked record(JsonNode presentation) {
    JsonNode all = presentation.path("verifiableCredential");
    if (all.size() != 1) throw new Refusal("record-of-several", "n", all.size());
    return credential(all.path(0), Optional.empty(), all.path(0));
  }

  private static boolean has(JsonNode node, String type) {
    JsonNode types = node.path("type");
    return types.isArray()
        ? types.valueStream().anyMatch(t -> t.asString("").equals(type))
        : types.asString("").equals(type);
  }

  private static boolean isAssertion(JsonNode node) {
    return has(node, "Assertion");
  }

  private void say(Point point, Came came, String key, Object... with) {
    found.add(new Found(point, came, Phrase.of("checked." + key, with)));
  }

  // --- Open Badges 3.0 --------------------------------------------------------------------------

  private Checked credential(JsonNode credential, Optional<Token> token, JsonNode claims) {
    if (!has(credential, "VerifiableCredential")) throw unreadable();
    boolean record = has(credential, OpenRecord.TYPE);
    if (!record
        && !has(credential, "OpenBadgeCredential")
        && !has(credential, "AchievementCredential")) say(Point.CONTENT, Came.UNTOLD, "no-badge");
    JsonNode issuer = credential.path("issuer");
    String id = issuer.isObject() ? issuer.path("id").asString("") : issuer.asString("");
    String name = issuer.path("name").asString(id);
    boolean signed = token.map(t -> token(t, id, claims)).orElseGet(() -> proof(credential, id));
    issuer(id, name, signed);
    Optional<OpenBadge.Holder> holder = holder(credential.path("credentialSubject"));
    Optional<Instant> from =
        moment(credential, "validFrom").or(() -> moment(credential, "issuanceDate"));
    Optional<Instant> until =
        moment(credential, "validUntil").or(() -> moment(credential, "expirationDate"));
    time(from, until);
    if (record) within(credential);
    else status(id, credential.path("credentialStatus"));
    return new Checked(Optional.of(shown(credential, name, from, until)), holder, found);
  }

  /** Each badge of a record is checked by itself. */
  private void within(JsonNode record) {
    JsonNode all = record.at(WITHIN);
    if (all.size() > MOST_WITHIN) throw new Refusal("record-of-too-many", "most", MOST_WITHIN);
    long until = System.nanoTime() + MOST_NANOS;
    List<Phrase> bad = new ArrayList<>();
    for (JsonNode one : all) {
      // badges can be made that take for ever, and many of them are in one file
      if (System.nanoTime() > until) throw new Refusal("record-takes-too-long");
      // a record within a record is none of a learner's badges
      boolean holds =
          !has(one, OpenRecord.TYPE)
              && new Checking(around, elsewhere, now)
                  .credential(one, Optional.empty(), one)
                  .holds();
      if (!holds) bad.add(Phrase.quoted(name(one)));
    }
    if (bad.isEmpty()) say(Point.CONTENT, Came.HOLDS, "record-good", "n", all.size());
    else say(Point.CONTENT, Came.FAILS, "record-bad", "badges", new Phrase.Listed(bad));
  }

  private static String name(JsonNode credential) {
    return credential
        .at("/credentialSubject/achievement/name")
        .asString(credential.path("name").asString(""));
  }

  private boolean token(Token token, String issuer, JsonNode claims) {
    String said = claims.path("iss").asString(issuer);
    String method = token.keyId().filter(k -> k.contains(":")).orElse(said);
    if (!said.equals(issuer)) {
      say(Point.SIGNATURE, Came.FAILS, "two-issuers");
      return false;
    }
    return signature(issuer, method, token::holds);
  }

  private boolean proof(JsonNode credential, String issuer) {
    JsonNode proofs = credential.path("proof");
    if (proofs.isMissingNode() || proofs.isNull()) {
      say(Point.SIGNATURE, Came.FAILS, "not-signed");
      return false;
    }
    List<JsonNode> all = proofs.isArray() ? proofs.valueStream().toList() : List.of(proofs);
    Optional<JsonNode> known =
        all.stream()
            .filter(p -> p.path("cryptosuite").asString("").equals(DataIntegrity.SUITE))
            .findFirst();
    if (known.isEmpty()) {
      String way =
          all.isEmpty()
              ? ""
              : all.getFirst()
                  .path("cryptosuite")
                  .asString(all.getFirst().path("type").asString(""));
      say(Point.SIGNATURE, Came.UNTOLD, "unknown-way", "way", way);
      return false;
    }
    if (!known.get().path("proofPurpose").asString("").equals("assertionMethod")) {
      say(Point.SIGNATURE, Came.FAILS, "other-purpose");
      return false;
    }
    String method = known.get().path("verificationMethod").asString("");
    return signature(
        issuer, method, key -> DataIntegrity.holds((ObjectNode) credential, known.get(), key));
  }

  private static final String WITHIN = "/credentialSubject/verifiableCredential";

  /** Each is checked by itself, which takes its time. */
  private static final int MOST_WITHIN = 60;

  private static final long MOST_NANOS = 4_000_000_000L;

  private interface Holds {
    boolean with(PublicKey key);
  }

  /** Whether it was signed with the key of whom it names as its issuer. */
  private boolean signature(String issuer, String method, Holds holds) {
    Optional<PublicKey> own = Did.key(method).or(() -> around.key(method));
    Optional<PublicKey> key = own.or(() -> elsewhere.key(issuer, method));
    if (key.isEmpty()) {
      say(Point.SIGNATURE, Came.UNTOLD, "key-elsewhere", "address", method);
      return false;
    }
    boolean good;
    try {
      good = holds.with(key.get());
    } catch (Refusal _) {
      say(Point.SIGNATURE, Came.UNTOLD, "unknown-vocabulary");
      return false;
    }
    if (!good) {
      say(Point.SIGNATURE, Came.FAILS, "changed");
      return false;
    }
    if (own.isPresent() && !Did.bare(method).equals(issuer)) {
      say(Point.SIGNATURE, Came.FAILS, "other-key");
      return false;
    }
    say(Point.SIGNATURE, Came.HOLDS, "signed");
    return true;
  }

  private void issuer(String id, String name, boolean signed) {
    Optional<String> known = around.issuer(id);
    if (known.isPresent() && signed)
      say(Point.ISSUER, Came.HOLDS, "issuer-known", "name", known.get());
    else if (signed) say(Point.ISSUER, Came.UNTOLD, "issuer-unknown", "name", name);
    else say(Point.ISSUER, Came.UNTOLD, "issuer-unproved", "name", name);
  }

  private Optional<OpenBadge.Holder> holder(JsonNode subject) {
    JsonNode identifier =
        subject.path("identifier").isArray()
            ? subject.path("identifier").path(0)
            : subject.path("identifier");
    String hash = identifier.path("identityHash").asString("");
    if (identifier.path("hashed").asBoolean(false) && hash.startsWith("sha256$")) {
      say(Point.HOLDER, Came.UNTOLD, "holder-hashed");
      return Optional.of(new OpenBadge.Holder(hash, identifier.path("salt").asString("")));
    }
    String id = subject.path("id").asString("");
    if (id.isEmpty()) say(Point.HOLDER, Came.UNTOLD, "holder-none");
    else say(Point.HOLDER, Came.UNTOLD, "holder-named", "name", id);
    return Optional.empty();
  }

  private void time(Optional<Instant> from, Optional<Instant> until) {
    if (from.filter(now::isBefore).isPresent())
      say(Point.TIME, Came.FAILS, "not-yet", "day", new Phrase.Day(from.get()));
    else if (until.filter(end -> !now.isBefore(end)).isPresent())
      say(Point.TIME, Came.FAILS, "ended", "day", new Phrase.Day(until.get()));
    else if (until.isPresent())
      say(Point.TIME, Came.HOLDS, "valid-until", "day", new Phrase.Day(until.get()));
    else say(Point.TIME, Came.HOLDS, "valid");
  }

  private void status(String issuer, JsonNode status) {
    if (status.isMissingNode() || status.isNull()) {
      say(Point.REVOKED, Came.UNTOLD, "not-revocable");
      return;
    }
    List<JsonNode> entries = status.isArray() ? status.valueStream().toList() : List.of(status);
    Optional<JsonNode> elsewhere = Optional.empty();
    for (JsonNode entry : entries) {
      Optional<Boolean> revoked = revoked(entry).or(() -> listed(issuer, entry));
      if (revoked.equals(Optional.of(true))) {
        say(Point.REVOKED, Came.FAILS, "revoked");
        return;
      }
      if (revoked.isEmpty()) elsewhere = Optional.of(entry);
    }
    if (elsewhere.isPresent())
      say(
          Point.REVOKED,
          Came.UNTOLD,
          "revocation-elsewhere",
          "address",
          elsewhere.get().path("statusListCredential").asString(""));
    else say(Point.REVOKED, Came.HOLDS, "not-revoked");
  }

  private Optional<Boolean> revoked(JsonNode entry) {
    try {
      return around.revoked(
          entry.path("statusListCredential").asString(""),
          Long.parseLong(entry.path("statusListIndex").asString("-1")));
    } catch (NumberFormatException _) {
      return Optional.empty();
    }
  }

  /** What a list elsewhere says, which the same issuer has to have signed. */
  private Optional<Boolean> listed(String issuer, JsonNode entry) {
    if (!(elsewhere.at(entry.path("statusListCredential").asString(""))
        instanceof Place.There(var content))) return Optional.empty();
    String text = new String(content, StandardCharsets.UTF_8).strip();
    Optional<Token> token = TOKEN.matcher(text).matches() ? Token.read(text) : Optional.empty();
    Optional<JsonNode> list = object(token.map(Token::payload).orElse(text));
    if (list.filter(l -> signed(issuer, l, token)).isEmpty()) return Optional.empty();
    JsonNode subject = list.get().path("credentialSubject");
    String purpose = entry.path("statusPurpose").asString("");
    if (!subject.path("statusPurpose").asString("").equals(purpose)) return Optional.empty();
    // more than one bit says something else; a list that ended says nothing any more
    if (entry.path("statusSize").asInt(1) != 1) return Optional.empty();
    if (moment(list.get(), "validUntil").filter(end -> !now.isBefore(end)).isPresent())
      return Optional.empty();
    try {
      return StatusList.revoked(
          subject.path("encodedList").asString(""),
          Long.parseLong(entry.path("statusListIndex").asString("-1")));
    } catch (NumberFormatException _) {
      return Optional.empty();
    }
  }

  private boolean signed(String issuer, JsonNode list, Optional<Token> token) {
    JsonNode by = list.path("issuer");
    if (!(by.isObject() ? by.path("id") : by).asString("").equals(issuer)) return false;
    var apart = new Checking(around, elsewhere, now);
    return token.map(t -> apart.token(t, issuer, list)).orElseGet(() -> apart.proof(list, issuer));
  }

  private static Optional<Instant> moment(JsonNode node, String field) {
    Optional<String> written = node.path(field).asStringOpt();
    try {
      return written.map(text -> OffsetDateTime.parse(text).toInstant());
    } catch (DateTimeException _) {
      throw new Refusal("credential-with-bad-date", "field", field);
    }
  }

  private static Checked.Shown shown(
      JsonNode credential, String issuer, Optional<Instant> from, Optional<Instant> until) {
    JsonNode subject = credential.path("credentialSubject");
    JsonNode achievement = subject.path("achievement");
    Map<String, String> described = new HashMap<>();
    for (JsonNode d : achievement.path("resultDescription"))
      described.put(d.path("id").asString(""), d.path("name").asString(""));
    List<String> results = new ArrayList<>();
    credential.at(WITHIN).forEach(one -> results.add(name(one)));
    for (JsonNode r : subject.path("result")) {
      String of = described.getOrDefault(r.path("resultDescription").asString(""), "");
      String value = r.path("value").asString("");
      results.add(of.isEmpty() ? value : of + ": " + value);
    }
    return new Checked.Shown(
        achievement.path("name").asString(credential.path("name").asString("")),
        achievement.path("description").asString(""),
        achievement.at("/criteria/narrative").asString(""),
        issuer,
        picture(achievement.path("image")),
        from,
        until,
        results,
        evidence(credential.path("evidence")));
  }

  private static Optional<String> picture(JsonNode image) {
    return (image.isObject() ? image.path("id") : image)
        .asStringOpt()
        .filter(address -> PICTURE.matcher(address).matches());
  }

  private static List<String> evidence(JsonNode evidence) {
    List<String> all = new ArrayList<>();
    for (JsonNode one : evidence.isArray() ? evidence : List.of(evidence))
      for (String part : List.of("name", "narrative", "id"))
        one.path(part).asStringOpt().filter(text -> !text.isBlank()).ifPresent(all::add);
    return all;
  }

  // --- Open Badges 2.0 --------------------------------------------------------------------------

  private Checked assertion(JsonNode assertion, Optional<Token> token) {
    JsonNode badge = whole(assertion.path("badge"));
    JsonNode issuer = whole(badge.path("issuer"));
    String issuerId = issuer.path("id").asString(issuer.asString(""));
    String name = issuer.isObject() ? issuer.path("name").asString("") : issuer.asString("");
    String method = assertion.at("/verification/creator").asString("");
    String at = assertion.path("id").asString("");
    boolean signed = false;
    if (token.isPresent()) {
      Optional<PublicKey> key =
          around.key(method).or(() -> Did.key(method)).or(() -> elsewhere.key(issuerId, method));
      if (key.isEmpty()) say(Point.SIGNATURE, Came.UNTOLD, "key-elsewhere", "address", method);
      else {
        signed = token.get().holds(key.get());
        say(Point.SIGNATURE, signed ? Came.HOLDS : Came.FAILS, signed ? "signed" : "changed");
      }
    } else hosted(assertion, at, issuerId);
    issuer(Did.bare(method), name, signed);
    JsonNode recipient = assertion.path("recipient");
    Optional<OpenBadge.Holder> holder = Optional.empty();
    String identity = recipient.path("identity").asString("");
    if (recipient.path("hashed").asBoolean(false) && identity.startsWith("sha256$")) {
      say(Point.HOLDER, Came.UNTOLD, "holder-hashed");
      holder = Optional.of(new OpenBadge.Holder(identity, recipient.path("salt").asString("")));
    } else say(Point.HOLDER, Came.UNTOLD, "holder-none");
    Optional<Instant> from = moment(assertion, "issuedOn");
    Optional<Instant> until = moment(assertion, "expires");
    time(from, until);
    if (assertion.path("revoked").asBoolean(false)) say(Point.REVOKED, Came.FAILS, "revoked");
    else if (elsewhere.at(at) instanceof Place.Gone) say(Point.REVOKED, Came.FAILS, "revoked");
    else
      around
          .revoked(at, -1)
          .or(() -> revokedThere(at, assertion, issuer))
          .ifPresentOrElse(
              gone ->
                  say(
                      Point.REVOKED,
                      gone ? Came.FAILS : Came.HOLDS,
                      gone ? "revoked" : "not-revoked"),
              () -> say(Point.REVOKED, Came.UNTOLD, "revocation-elsewhere", "address", at));
    JsonNode criteria = badge.path("criteria");
    return new Checked(
        Optional.of(
            new Checked.Shown(
                badge.path("name").asString(""),
                badge.path("description").asString(""),
                criteria.path("narrative").asString(criteria.asString("")),
                name,
                picture(badge.path("image")),
                from,
                until,
                List.of(),
                evidence(assertion.path("evidence")))),
        holder,
        found);
  }

  /** Something that is named by its address, as it stands there. */
  private JsonNode whole(JsonNode part) {
    return part.asStringOpt().flatMap(elsewhere::json).orElse(part);
  }

  /** What is not signed is true if it stands where it says, at its issuer's. */
  private void hosted(JsonNode assertion, String at, String issuer) {
    Optional<JsonNode> there = elsewhere.json(at);
    if (there.isEmpty()) say(Point.SIGNATURE, Came.UNTOLD, "hosted", "address", at);
    else if (!there.get().equals(assertion)) say(Point.SIGNATURE, Came.FAILS, "hosted-other");
    else if (!Elsewhere.together(at, issuer)) say(Point.SIGNATURE, Came.FAILS, "other-key");
    else say(Point.SIGNATURE, Came.HOLDS, "hosted-there");
  }

  /** What is hosted and there was not revoked; what is signed stands in a list if it was. */
  private Optional<Boolean> revokedThere(String at, JsonNode assertion, JsonNode issuer) {
    if (elsewhere.json(at).filter(assertion::equals).isPresent()) return Optional.of(false);
    return elsewhere
        .json(issuer.path("revocationList").asString(""))
        .map(list ->
            list.path("revokedAssertions")
                .valueStream()
                .anyMatch(one -> one.asString(one.path("id").asString("")).equals(at)));
  }
}
