package yendrik.formats.credential;

import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JOSEObjectType;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.JWSObject;
import com.nimbusds.jose.Payload;
import com.nimbusds.jose.crypto.RSASSASigner;
import com.nimbusds.jose.crypto.RSASSAVerifier;
import com.nimbusds.jose.jwk.RSAKey;
import java.security.PublicKey;
import java.security.interfaces.RSAPublicKey;
import java.text.ParseException;
import java.time.Instant;
import java.util.Optional;
import tools.jackson.databind.node.ObjectNode;

/** Credentials as signed tokens: JWT (RFC 7519) with RS256, as Open Badges 3.0 asks for. */
public final class Token {
  private final JWSObject jws;

  private Token(JWSObject jws) {
    this.jws = jws;
  }

  /**
   * A credential as a token: always the same one of the same keys.
   *
   * @param credential of Open Badges 3.0 as the same issuer wrote it, with or without its proof
   */
  public static String of(ObjectNode credential, IssuerKeys keys) {
    String issuer = keys.didJwk();
    ObjectNode claims = credential.deepCopy();
    claims.remove(DataIntegrity.PROOF);
    ((ObjectNode) claims.path("issuer")).put("id", issuer);
    claims.put("iss", issuer);
    claims.put("jti", claims.path("id").asString());
    claims.put("nbf", second(claims, "validFrom"));
    if (claims.has("validUntil")) claims.put("exp", second(claims, "validUntil"));
    return signed(claims, keys, issuer);
  }

  private static long second(ObjectNode claims, String field) {
    return Instant.parse(claims.path(field).asString()).getEpochSecond();
  }

  static String signed(ObjectNode claims, IssuerKeys keys, String issuer) {
    var header =
        new JWSHeader.Builder(JWSAlgorithm.RS256)
            .type(JOSEObjectType.JWT)
            .keyID(issuer + "#0")
            .jwk(new RSAKey.Builder((RSAPublicKey) keys.rsa().getPublic()).build())
            .build();
    var jws = new JWSObject(header, new Payload(claims.toString()));
    try {
      jws.sign(new RSASSASigner(keys.rsa().getPrivate()));
    } catch (JOSEException e) {
      throw new IllegalStateException(e);
    }
    return jws.serialize();
  }

  /** A token as it is written; empty if it is none. */
  static Optional<Token> read(String text) {
    try {
      return Optional.of(new Token(JWSObject.parse(text.strip())));
    } catch (ParseException | IllegalArgumentException _) {
      return Optional.empty();
    }
  }

  String payload() {
    return jws.getPayload().toString();
  }

  /** By which name the key is known. */
  Optional<String> keyId() {
    return Optional.ofNullable(jws.getHeader().getKeyID());
  }

  /** Whether it was signed with this key, by RS256 or EdDSA. */
  boolean holds(PublicKey key) {
    JWSAlgorithm algorithm = jws.getHeader().getAlgorithm();
    byte[] data = jws.getSigningInput();
    try {
      if (algorithm.equals(JWSAlgorithm.RS256) && key instanceof RSAPublicKey rsa)
        return new RSASSAVerifier(rsa).verify(jws.getHeader(), data, jws.getSignature());
      if (algorithm.equals(JWSAlgorithm.EdDSA) || algorithm.equals(JWSAlgorithm.Ed25519))
        return Ed25519.holds(key, data, jws.getSignature().decode());
      return false;
    } catch (JOSEException _) {
      return false;
    }
  }
}
