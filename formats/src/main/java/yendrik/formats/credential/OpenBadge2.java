package yendrik.formats.credential;

import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.JWSObject;
import com.nimbusds.jose.Payload;
import com.nimbusds.jose.crypto.RSASSASigner;
import java.security.PublicKey;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a credential of Open Badges 3.0 says, in the words of Open Badges 2.0 (1EdTech, 2018), for
 * whoever reads only those: hosted, where it is as long as its holder shows it, and signed.
 */
public final class OpenBadge2 {
  private static final String CONTEXT = "https://w3id.org/openbadges/v2";
  private static final int LINE = 64;

  private OpenBadge2() {}

  /**
   * Where what is said of the issuer is.
   *
   * @param issuer its profile
   * @param key by which it signs
   * @param revocations what it revoked
   */
  public record Places(String issuer, String key, String revocations) {}

  private static ObjectNode object(String type, String id) {
    ObjectNode made = JsonNodeFactory.instance.objectNode();
    made.put("@context", CONTEXT);
    made.put("type", type);
    made.put("id", id);
    return made;
  }

  private static ObjectNode assertion(JsonNode credential, String id) {
    ObjectNode made = object("Assertion", id);
    JsonNode identifier = credential.at("/credentialSubject/identifier/0");
    made.putObject("recipient")
        .put("type", "email")
        .put("hashed", true)
        .put("identity", identifier.path("identityHash").asString(""))
        .put("salt", identifier.path("salt").asString(""));
    made.put("issuedOn", credential.path("validFrom").asString(""));
    credential.path("validUntil").asStringOpt().ifPresent(until -> made.put("expires", until));
    if (credential.has("evidence")) {
      ArrayNode all = made.putArray("evidence");
      for (JsonNode one : credential.path("evidence")) {
        ObjectNode said = all.addObject();
        one.path("id").asStringOpt().ifPresent(at -> said.put("id", at));
        said.put("type", "Evidence");
        said.put("narrative", one.path("narrative").asString(""));
      }
    }
    return made;
  }

  /**
   * An assertion that is valid as long as it is found where it says it is.
   *
   * @param id its own address
   * @param badge the address of what it stands for
   */
  public static ObjectNode hosted(JsonNode credential, String id, String badge) {
    ObjectNode made = assertion(credential, id);
    made.put("badge", badge);
    made.putObject("verification").put("type", "HostedBadge");
    return made;
  }

  /** What a badge stands for. */
  public static ObjectNode badge(JsonNode credential, String id, String issuer) {
    ObjectNode made = badge(credential, id);
    made.put("issuer", issuer);
    return made;
  }

  private static ObjectNode badge(JsonNode credential, String id) {
    JsonNode achievement = credential.at("/credentialSubject/achievement");
    ObjectNode made = object("BadgeClass", id);
    made.put("name", achievement.path("name").asString(""));
    made.put("description", achievement.path("description").asString(""));
    achievement.at("/image/id").asStringOpt().ifPresent(image -> made.put("image", image));
    made.putObject("criteria").put("narrative", achievement.at("/criteria/narrative").asString(""));
    if (achievement.has("tag")) made.set("tags", achievement.path("tag").deepCopy());
    if (achievement.has("alignment")) {
      ArrayNode all = made.putArray("alignment");
      for (JsonNode one : achievement.path("alignment")) {
        ObjectNode said = all.addObject();
        for (String field : List.of("targetName", "targetUrl", "targetFramework", "targetCode"))
          one.path(field).asStringOpt().ifPresent(text -> said.put(field, text));
      }
    }
    return made;
  }

  /** The issuer, as the credential names it. */
  public static ObjectNode issuer(JsonNode credential, Places places) {
    JsonNode issuer = credential.path("issuer");
    return issuer(
        issuer.path("name").asString(""),
        issuer.path("url").asString(""),
        issuer.path("email").asStringOpt(),
        places);
  }

  /** The same of an issuer by itself. */
  public static ObjectNode issuer(String name, String url, Optional<String> email, Places places) {
    ObjectNode made = object("Issuer", places.issuer());
    made.put("name", name);
    made.put("url", url);
    email.ifPresent(address -> made.put("email", address));
    made.put("publicKey", places.key());
    made.put("revocationList", places.revocations());
    return made;
  }

  /**
   * An assertion that carries its proof (RFC 7515, RS256), with all that it stands for within.
   *
   * @param id of the award
   */
  public static String signed(JsonNode credential, IssuerKeys keys, Places places) {
    String id = credential.path("id").asString("");
    ObjectNode made = assertion(credential, id);
    ObjectNode badge =
        badge(credential, credential.at("/credentialSubject/achievement/id").asString(""));
    badge.set("issuer", issuer(credential, places));
    made.set("badge", badge);
    made.putObject("verification").put("type", "SignedBadge").put("creator", places.key());
    var jws =
        new JWSObject(
            new JWSHeader.Builder(JWSAlgorithm.RS256).build(), new Payload(made.toString()));
    try {
      jws.sign(new RSASSASigner(keys.rsa().getPrivate()));
    } catch (JOSEException e) {
      throw new IllegalStateException(e);
    }
    return jws.serialize();
  }

  /** A key, for whoever checks what was signed with it. */
  public static ObjectNode key(PublicKey key, Places places) {
    ObjectNode made = object("CryptographicKey", places.key());
    made.put("owner", places.issuer());
    String coded = Base64.getMimeEncoder(LINE, new byte[] {'\n'}).encodeToString(key.getEncoded());
    made.put(
        "publicKeyPem", "-----BEGIN PUBLIC KEY-----\n" + coded + "\n-----END PUBLIC KEY-----\n");
    return made;
  }

  /**
   * What was revoked of what was signed.
   *
   * @param awards by their names: {@code urn:uuid:…}
   */
  public static ObjectNode revocations(Iterable<String> awards, Places places) {
    ObjectNode made = object("RevocationList", places.revocations());
    made.put("issuer", places.issuer());
    ArrayNode all = made.putArray("revokedAssertions");
    StreamSupport.stream(awards.spliterator(), false)
        .forEach(award -> all.addObject().put("id", award));
    return made;
  }

  /** What is found in the place of an assertion that was revoked. */
  public static ObjectNode revoked(String id) {
    return object("Assertion", id).put("revoked", true);
  }
}
