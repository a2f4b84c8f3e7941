package yendrik.core.look;

import java.util.Locale;
import java.util.regex.Pattern;
import yendrik.core.Refusal;

/**
 * A colour of the sRGB space.
 *
 * @param red 0 to 255, as the others
 */
public record Colour(int red, int green, int blue) {
  private static final Pattern WRITTEN = Pattern.compile("#[0-9a-fA-F]{6}");
  private static final int MOST = 255;
  private static final Colour WHITE = new Colour(MOST, MOST, MOST);
  private static final Colour BLACK = new Colour(0, 0, 0);

  /**
   * Reads {@code #a02750}.
   *
   * @throws Refusal for anything else
   */
  public static Colour of(String written) {
    if (!WRITTEN.matcher(written).matches()) throw new Refusal("no-colour", "text", written);
    int all = Integer.parseInt(written.substring(1), 16);
    return new Colour(all >> 16, (all >> 8) & MOST, all & MOST);
  }

  /** The same as it is written: {@code #a02750}. */
  public String written() {
    return String.format(Locale.ROOT, "#%02x%02x%02x", red, green, blue);
  }

  /** Relative luminance, 0 to 1 (W3C, Web Content Accessibility Guidelines 2.2). */
  public double luminance() {
    return 0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue);
  }

  private static double linear(int channel) {
    double share = channel / (double) MOST;
    return share <= 0.04045 ? share / 12.92 : Math.pow((share + 0.055) / 1.055, 2.4);
  }

  /** Contrast with another colour, 1 to 21 (W3C, Web Content Accessibility Guidelines 2.2). */
  public double contrast(Colour other) {
    double one = luminance();
    double two = other.luminance();
    return (Math.max(one, two) + 0.05) / (Math.min(one, two) + 0.05);
  }

  /** This colour with a share of another one in it, 0 to 1. */
  public Colour with(double share, Colour other) {
    return new Colour(
        mixed(red, other.red, share),
        mixed(green, other.green, share),
        mixed(blue, other.blue, share));
  }

  private static int mixed(int one, int other, double share) {
    return (int) Math.round(one + (other - one) * share);
  }

  Colour lighter(double share) {
    return with(share, WHITE);
  }

  Colour darker(double share) {
    return with(share, BLACK);
  }
}
