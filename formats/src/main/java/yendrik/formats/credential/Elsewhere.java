package yendrik.formats.credential;

import com.nimbusds.jose.jwk.JWK;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.PublicKey;
import java.security.spec.X509EncodedKeySpec;
import java.text.ParseException;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/**
 * What stands at addresses that a credential names, as far as these are asked; each once, and a few
 * of them only.
 */
final class Elsewhere {
  private static final int MOST = 8;
  private static final int LONGEST = 2_000;
  private static final String WEB = "did:web:";

  private final Around around;
  private final Map<String, Place> asked = new HashMap<>();

  Elsewhere(Around around) {
    this.around = around;
  }

  /** A text that is an address on the web, and nothing else. */
  static Optional<URI> address(String text) {
    if (text.length() > LONGEST || !text.matches("https?://\\S+")) return Optional.empty();
    try {
      return Optional.of(new URI(text)).filter(uri -> uri.getHost() != null);
    } catch (URISyntaxException _) {
      return Optional.empty();
    }
  }

  Place at(String address) {
    if (address(address).isEmpty()) return new Place.NotAsked();
    Place known = asked.get(address);
    if (known != null) return known;
    Place found = asked.size() < MOST ? around.at(address) : new Place.NotAsked();
    asked.put(address, found);
    return found;
  }

  /** What stands there as JSON; empty if it does not, or is not asked. */
  Optional<JsonNode> json(String address) {
    return at(address) instanceof Place.There(var content)
        ? Checking.object(new String(content, StandardCharsets.UTF_8))
        : Optional.empty();
  }

  /** Whether two addresses are of one place. */
  static boolean together(String one, String other) {
    return address(one).map(Elsewhere::origin).isPresent()
        && address(one).map(Elsewhere::origin).equals(address(other).map(Elsewhere::origin));
  }

  private static String origin(URI uri) {
    return uri.getScheme() + "://" + uri.getRawAuthority();
  }

  /**
   * A key that is found at its address: in the document of its issuer, a {@code did:web} or an
   * address, which has it or names it. What only stands beside it is none: others may write there.
   */
  Optional<PublicKey> key(String issuer, String method) {
    Optional<JsonNode> document =
        document(issuer).flatMap(this::json).filter(d -> d.path("id").asString("").equals(issuer));
    return document
        .flatMap(d -> within(d, issuer, method))
        .or(() -> document.filter(d -> names(d, method)).flatMap(_ -> beside(issuer, method)));
  }

  /** Where the document of an issuer stands. */
  private static Optional<String> document(String issuer) {
    if (!issuer.startsWith(WEB)) return address(issuer).map(URI::toString);
    List<String> parts = List.of(issuer.substring(WEB.length()).split(":", -1));
    String host = URLDecoder.decode(parts.getFirst(), StandardCharsets.UTF_8);
    String path =
        parts.size() == 1 ? ".well-known" : String.join("/", parts.subList(1, parts.size()));
    return Optional.of("https://" + host + "/" + path + "/did.json");
  }

  /** A key that its document has, to vouch for something: others are to sign in or to agree. */
  private static Optional<PublicKey> within(JsonNode document, String issuer, String method) {
    JsonNode vouching = document.path("assertionMethod");
    if (vouching.valueStream().noneMatch(one -> is(one, issuer, method))) return Optional.empty();
    return Stream.of(document.path("verificationMethod"), vouching)
        .flatMap(JsonNode::valueStream)
        .filter(one -> one.isObject() && is(one, issuer, method))
        .findFirst()
        .flatMap(Elsewhere::key);
  }

  private static boolean is(JsonNode one, String issuer, String method) {
    String id = one.asString(one.path("id").asString(""));
    return (id.startsWith("#") ? issuer + id : id).equals(method);
  }

  /** Whether a document says that a key at an address is its own. */
  private static boolean names(JsonNode document, String method) {
    JsonNode keys = document.path("publicKey");
    return Stream.concat(Stream.of(keys), keys.isArray() ? keys.valueStream() : Stream.of())
        .anyMatch(key -> key.asString(key.path("id").asString("")).equals(method));
  }

  private Optional<PublicKey> beside(String issuer, String method) {
    return json(method)
        .filter(key -> key.path("owner").asString(issuer).equals(issuer))
        .flatMap(Elsewhere::key);
  }

  private static Optional<PublicKey> key(JsonNode key) {
    try {
      if (key.has("publicKeyMultibase"))
        return Ed25519.key(key.path("publicKeyMultibase").asString(""));
      if (key.has("publicKeyPem")) return Optional.of(pem(key.path("publicKeyPem").asString("")));
      JsonNode jwk = key.has("publicKeyJwk") ? key.path("publicKeyJwk") : key;
      return Did.key(JWK.parse(jwk.toString()));
    } catch (GeneralSecurityException | ParseException | IllegalArgumentException _) {
      return Optional.empty();
    }
  }

  /** A key of RSA between the lines that PEM (RFC 7468) has around it. */
  private static PublicKey pem(String pem) throws GeneralSecurityException {
    byte[] encoded = Base64.getMimeDecoder().decode(pem.replaceAll("-----[^-]*-----", ""));
    return KeyFactory.getInstance("RSA").generatePublic(new X509EncodedKeySpec(encoded));
  }
}
