package yendrik.formats.credential;

import com.nimbusds.jose.jwk.RSAKey;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.interfaces.RSAPublicKey;
import java.security.spec.PKCS8EncodedKeySpec;
import java.security.spec.X509EncodedKeySpec;
import java.util.Base64;

/**
 * The keys of an issuer: one of Ed25519 for proofs within a document, one of RSA for signed tokens.
 * Each names itself, so that a signature can be checked without asking anybody.
 */
public record IssuerKeys(KeyPair edwards, KeyPair rsa) {
  private static final int RSA_BITS = 2048;

  /** New ones. */
  public static IssuerKeys made() {
    try {
      KeyPairGenerator rsa = KeyPairGenerator.getInstance("RSA");
      rsa.initialize(RSA_BITS);
      return new IssuerKeys(
          KeyPairGenerator.getInstance("Ed25519").generateKeyPair(), rsa.generateKeyPair());
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }

  /** A pair as it is kept: the private key (PKCS #8) and the public one (X.509). */
  public record Kept(byte[] secret, byte[] open) {
    public static Kept of(KeyPair pair) {
      return new Kept(pair.getPrivate().getEncoded(), pair.getPublic().getEncoded());
    }

    private KeyPair pair(String algorithm) {
      try {
        KeyFactory factory = KeyFactory.getInstance(algorithm);
        return new KeyPair(
            factory.generatePublic(new X509EncodedKeySpec(open)),
            factory.generatePrivate(new PKCS8EncodedKeySpec(secret)));
      } catch (GeneralSecurityException e) {
        throw new IllegalStateException("a key cannot be read", e);
      }
    }
  }

  /** Those that were kept. */
  public static IssuerKeys of(Kept edwards, Kept rsa) {
    return new IssuerKeys(edwards.pair("Ed25519"), rsa.pair("RSA"));
  }

  /** Who issues by the key of Ed25519: {@code did:key:z6Mk…}. */
  public String didKey() {
    return "did:key:" + Ed25519.multikey(edwards.getPublic());
  }

  /** By which method proofs are checked. */
  public String method() {
    String did = didKey();
    return did + "#" + did.substring("did:key:".length());
  }

  /** Who issues by the key of RSA: {@code did:jwk:…}. */
  public String didJwk() {
    String jwk = new RSAKey.Builder((RSAPublicKey) rsa.getPublic()).build().toJSONString();
    return "did:jwk:"
        + Base64.getUrlEncoder()
            .withoutPadding()
            .encodeToString(jwk.getBytes(StandardCharsets.UTF_8));
  }
}
