package yendrik.server.people;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** Secrets that are long and random are kept as a hash, by which they can be known again. */
public final class Secrets {
  private Secrets() {}

  public static String hash(String secret) {
    try {
      byte[] hash =
          MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(hash);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
