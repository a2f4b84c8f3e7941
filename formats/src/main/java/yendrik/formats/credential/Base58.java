package yendrik.formats.credential;

import java.math.BigInteger;
import java.util.Optional;

/** Numbers in letters that are not mistaken for each other (base58-btc of Multibase). */
final class Base58 {
  private static final String LETTERS =
      "123456789ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz";

  private static final BigInteger BASE = BigInteger.valueOf(58);

  /** Longer than any key or signature that is read here. */
  private static final int LONGEST = 2048;

  private Base58() {}

  static String of(byte[] bytes) {
    var out = new StringBuilder();
    for (BigInteger n = new BigInteger(1, bytes); n.signum() > 0; n = n.divide(BASE))
      out.append(LETTERS.charAt(n.mod(BASE).intValue()));
    for (int i = 0; i < bytes.length && bytes[i] == 0; i++) out.append(LETTERS.charAt(0));
    return out.reverse().toString();
  }

  /** Empty if there are letters in it that do not belong there. */
  static Optional<byte[]> read(String text) {
    if (text.length() > LONGEST) return Optional.empty();
    BigInteger n = BigInteger.ZERO;
    int zeros = 0;
    for (int i = 0; i < text.length(); i++) {
      int letter = LETTERS.indexOf(text.charAt(i));
      if (letter < 0) return Optional.empty();
      if (letter == 0 && n.signum() == 0) zeros++;
      n = n.multiply(BASE).add(BigInteger.valueOf(letter));
    }
    byte[] number = n.signum() == 0 ? new byte[0] : n.toByteArray();
    int sign = number.length > 0 && number[0] == 0 ? 1 : 0;
    byte[] all = new byte[zeros + number.length - sign];
    System.arraycopy(number, sign, all, zeros, number.length - sign);
    return Optional.of(all);
  }
}
