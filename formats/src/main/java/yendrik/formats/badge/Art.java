package yendrik.formats.badge;

import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import yendrik.core.Refusal;

/**
 * How a badge is drawn, as its designer chose it. What an earlier form did not have yet is what was
 * drawn then.
 *
 * @param sign the name of a pictogram; empty for none
 * @param words what stands on it, at most {@value #MOST_WORDS} characters
 */
public record Art(
    Shape shape,
    Edge edge,
    Pattern pattern,
    String sign,
    SignStyle signStyle,
    Colour colour,
    Colour signColour,
    Colour trimColour,
    Colour wordsColour,
    String words,
    WordsAt wordsAt) {
  public static final int MOST_WORDS = 32;

  /** What a badge is as long as nobody has drawn it. */
  public static final Art PLAIN = plain(Shape.ROUND, "medal", Colour.LAGOON);

  /**
   * @throws Refusal if the words are too long
   */
  public Art {
    edge = Objects.requireNonNullElse(edge, Edge.NONE);
    pattern = Objects.requireNonNullElse(pattern, Pattern.NONE);
    sign = Objects.requireNonNullElse(sign, "");
    signStyle = Objects.requireNonNullElse(signStyle, SignStyle.FILL);
    signColour = Objects.requireNonNullElse(signColour, Colour.PAPER);
    trimColour = Objects.requireNonNullElse(trimColour, Colour.PAPER);
    wordsColour = Objects.requireNonNullElse(wordsColour, Colour.PAPER);
    words = words == null ? "" : words.strip();
    wordsAt = Objects.requireNonNullElse(wordsAt, WordsAt.NOWHERE);
    if (words.codePointCount(0, words.length()) > MOST_WORDS)
      throw new Refusal("words-on-badge-too-long", "most", MOST_WORDS);
  }

  /** A shape with a sign and nothing else. */
  public static Art plain(Shape shape, String sign, Colour colour) {
    return new Art(
        shape,
        Edge.NONE,
        Pattern.NONE,
        sign,
        SignStyle.FILL,
        colour,
        Colour.PAPER,
        Colour.PAPER,
        Colour.PAPER,
        "",
        WordsAt.NOWHERE);
  }

  /** The outline. */
  public enum Shape {
    ROUND,
    SHIELD,
    HEXAGON,
    BARREL,
    OCTAGON,
    PENTAGON,
    SQUARE,
    DIAMOND,
    PEBBLE,
    COG,
    SCALLOP,
    BANNER
  }

  /** What runs along inside the outline. */
  public enum Edge {
    NONE,
    LINE,
    DOUBLE,
    DASHES,
    DOTS,
    STITCH
  }

  /** What lies faintly on the ground. */
  public enum Pattern {
    NONE,
    RAYS,
    STRIPES,
    CHECKS,
    RINGS,
    SPOTS
  }

  /** How a pictogram is drawn. */
  public enum SignStyle {
    FILL,
    BOLD
  }

  /** Where words stand. */
  public enum WordsAt {
    NOWHERE,
    RIBBON,
    RIM
  }

  /** The colours that badges have, in both schemes and on paper. */
  public enum Colour {
    LAGOON("#0b6f6e"),
    INDIGO("#3f4fa3"),
    OCHRE("#b9770e"),
    MADDER("#a02750"),
    INK("#17212a"),
    MOSS("#48632a"),
    RUST("#9b4418"),
    PLUM("#64386f"),
    SKY("#2b6d96"),
    SLATE("#566871"),
    STRAW("#f2c766"),
    MINT("#a9dcc9"),
    ROSE("#f3bccb"),
    PAPER("#ffffff");

    private final String hex;

    Colour(String hex) {
      this.hex = hex;
    }

    /** As sRGB in six digits. */
    public String hex() {
      return hex;
    }

    /** The relative luminance of WCAG 2.2, 0 to 1. */
    double luminance() {
      int rgb = Integer.parseInt(hex.substring(1), 16);
      return 0.2126 * linear(rgb >> 16) + 0.7152 * linear(rgb >> 8) + 0.0722 * linear(rgb);
    }

    private static double linear(int part) {
      double c = (part & 0xff) / 255.0;
      return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
    }

    /** The contrast ratio of WCAG 2.2, 1 to 21. */
    public double contrast(Colour other) {
      double a = luminance();
      double b = other.luminance();
      return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    }
  }

  /** The name of a choice as it is said outside: small letters. */
  static String name(Enum<?> choice) {
    return choice.name().toLowerCase(Locale.ROOT);
  }

  /** The words, where there are any and they stand somewhere. */
  Optional<String> wordsAt(WordsAt place) {
    return wordsAt == place && !words.isEmpty() ? Optional.of(words) : Optional.empty();
  }
}
