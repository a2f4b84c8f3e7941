package yendrik.formats.credential;

import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.jwk.JWK;
import com.nimbusds.jose.jwk.OctetKeyPair;
import java.nio.charset.StandardCharsets;
import java.security.PublicKey;
import java.text.ParseException;
import java.util.Base64;
import java.util.Optional;

/** Names that are keys themselves: {@code did:key} of Ed25519 and {@code did:jwk}. */
final class Did {
  private static final String KEY = "did:key:";
  private static final String JWK_NAME = "did:jwk:";
  private static final int LONGEST = 4096;

  private Did() {}

  /** The key that a name, or a method of it, is. */
  static Optional<PublicKey> key(String name) {
    if (name.length() > LONGEST) return Optional.empty();
    String did = bare(name);
    if (did.startsWith(KEY)) return Ed25519.key(did.substring(KEY.length()));
    if (did.startsWith(JWK_NAME)) return jwk(did.substring(JWK_NAME.length()));
    return Optional.empty();
  }

  /** A name without the method after it. */
  static String bare(String name) {
    int at = name.indexOf('#');
    return at < 0 ? name : name.substring(0, at);
  }

  private static Optional<PublicKey> jwk(String encoded) {
    try {
      byte[] json = Base64.getUrlDecoder().decode(encoded);
      return key(JWK.parse(new String(json, StandardCharsets.UTF_8)));
    } catch (IllegalArgumentException | ParseException _) {
      return Optional.empty();
    }
  }

  /** A public key of RSA or Ed25519; empty for any other, and for one that is not public. */
  static Optional<PublicKey> key(JWK jwk) {
    if (jwk.isPrivate()) return Optional.empty();
    try {
      if (jwk instanceof OctetKeyPair pair) return Ed25519.raw(pair.getDecodedX());
      return Optional.of(jwk.toRSAKey().toRSAPublicKey());
    } catch (JOSEException | ClassCastException _) {
      return Optional.empty();
    }
  }
}
