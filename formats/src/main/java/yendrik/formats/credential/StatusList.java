package yendrik.formats.credential;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.Base64;
import java.util.Collection;
import java.util.Optional;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What was revoked, as one bit for each credential (Bitstring Status List 1.0, W3C). */
public final class StatusList {
  /** How many credentials one list is for; so many that none stands out. */
  public static final int SIZE = 131_072;

  private static final int MOST_BYTES = 4 << 20;

  private StatusList() {}

  /** The bits of a list, packed. */
  static String packed(Collection<Integer> revoked) {
    byte[] bits = new byte[SIZE / 8];
    for (int index : revoked) bits[index / 8] |= (byte) (0x80 >> (index % 8));
    var out = new ByteArrayOutputStream();
    try (var zip = new GZIPOutputStream(out)) {
      zip.write(bits);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return "u" + Base64.getUrlEncoder().withoutPadding().encodeToString(out.toByteArray());
  }

  /**
   * Whether a place of a list says revoked; empty if the list cannot be read or has no such place.
   */
  static Optional<Boolean> revoked(String packed, long index) {
    String data = packed.startsWith("u") ? packed.substring(1) : packed;
    try (var zip =
        new GZIPInputStream(new ByteArrayInputStream(Base64.getUrlDecoder().decode(data)))) {
      byte[] bits = zip.readNBytes(MOST_BYTES);
      if (index < 0 || index / 8 >= bits.length) return Optional.empty();
      return Optional.of((bits[(int) (index / 8)] & (0x80 >> (index % 8))) != 0);
    } catch (IOException | IllegalArgumentException _) {
      return Optional.empty();
    }
  }

  /** A list with a proof, by the name that {@code did:key} is. */
  public static String proved(
      String address, IssuerKeys keys, Collection<Integer> revoked, Instant now) {
    return DataIntegrity.signed(
            json(address, keys.didKey(), revoked, now),
            keys.edwards().getPrivate(),
            keys.method(),
            now)
        .toString();
  }

  /** A list as a token, by the name that {@code did:jwk} is. */
  public static String token(
      String address, IssuerKeys keys, Collection<Integer> revoked, Instant now) {
    ObjectNode claims = json(address, keys.didJwk(), revoked, now);
    claims.put("iss", keys.didJwk());
    claims.put("jti", address);
    return Token.signed(claims, keys, keys.didJwk());
  }

  /**
   * A list as a credential of its own, unsigned.
   *
   * @param address where it is
   */
  public static ObjectNode json(
      String address, String issuer, Collection<Integer> revoked, Instant from) {
    ObjectNode all = JsonNodeFactory.instance.objectNode();
    all.putArray("@context").add(Contexts.CREDENTIALS);
    all.put("id", address);
    all.putArray("type").add("VerifiableCredential").add("BitstringStatusListCredential");
    all.put("issuer", issuer);
    all.put("validFrom", OpenBadge.second(from));
    ObjectNode subject = all.putObject("credentialSubject");
    subject.put("id", address + "#list");
    subject.put("type", "BitstringStatusList");
    subject.put("statusPurpose", "revocation");
    subject.put("encodedList", packed(revoked));
    return all;
  }
}
