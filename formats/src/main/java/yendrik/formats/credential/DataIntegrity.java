package yendrik.formats.credential;

import java.security.PrivateKey;
import java.security.PublicKey;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Proofs within a document: Data Integrity 1.0 with the suite eddsa-rdfc-2022. What is signed is
 * the hash of the proof without its value, followed by the hash of the document without its proof.
 */
public final class DataIntegrity {
  static final String SUITE = "eddsa-rdfc-2022";
  static final String PROOF = "proof";
  static final String CREATED = "created";
  private static final String VALUE = "proofValue";
  private static final String CONTEXT = "@context";

  private DataIntegrity() {}

  /**
   * The document with a proof.
   *
   * @param method by which the key is found: {@code did:key:z6Mk…#z6Mk…}
   */
  public static ObjectNode signed(
      ObjectNode document, PrivateKey key, String method, Instant created) {
    ObjectNode proof = proof(method, created);
    return signed(
        document,
        proof,
        key,
        Canonical.hash(configuration(document, proof)),
        Canonical.hash(document));
  }

  /** A proof without its value. */
  static ObjectNode proof(String method, Instant created) {
    ObjectNode proof = JsonNodeFactory.instance.objectNode();
    proof.put("type", "DataIntegrityProof");
    proof.put("cryptosuite", SUITE);
    proof.put(CREATED, created.truncatedTo(ChronoUnit.SECONDS).toString());
    proof.put("verificationMethod", method);
    proof.put("proofPurpose", "assertionMethod");
    return proof;
  }

  /** The document with a proof whose own hash is known, as that of the document is. */
  static ObjectNode signed(
      ObjectNode document, ObjectNode proof, PrivateKey key, byte[] proofHash, byte[] hash) {
    proof.put(VALUE, "z" + Base58.of(Ed25519.sign(key, both(proofHash, hash))));
    ObjectNode signed = document.deepCopy();
    signed.set(PROOF, proof);
    return signed;
  }

  /** What is hashed of a proof. */
  static ObjectNode configuration(ObjectNode document, ObjectNode proof) {
    ObjectNode configuration = proof.deepCopy();
    configuration.remove(VALUE);
    configuration.set(CONTEXT, document.path(CONTEXT));
    return configuration;
  }

  private static byte[] both(byte[] first, byte[] second) {
    byte[] both = Arrays.copyOf(first, first.length + second.length);
    System.arraycopy(second, 0, both, first.length, second.length);
    return both;
  }

  /** Whether a proof was made with a key for this document as it is. */
  static boolean holds(ObjectNode signed, JsonNode proof, PublicKey key) {
    Optional<byte[]> signature =
        proof
            .path(VALUE)
            .asStringOpt()
            .filter(value -> value.startsWith("z"))
            .flatMap(value -> Base58.read(value.substring(1)));
    if (signature.isEmpty() || !(proof instanceof ObjectNode configuration)) return false;
    ObjectNode document = signed.deepCopy();
    document.remove(PROOF);
    byte[] data =
        both(Canonical.hash(configuration(document, configuration)), Canonical.hash(document));
    return Ed25519.holds(key, data, signature.get());
  }
}
