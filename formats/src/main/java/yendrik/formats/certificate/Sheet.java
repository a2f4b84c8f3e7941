package yendrik.formats.certificate;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yendrik.core.Refusal;
import yendrik.formats.badge.Art;

/**
 * How a certificate is laid out, as its designer chose it.
 *
 * @param colour of what is drawn; empty for the institution's
 * @param opening what stands above the holder's name
 * @param closing what stands below it
 * @param hours of the course, 1 to {@value #MOST_HOURS}
 * @param fields what is printed beside the words
 * @param signatures at most {@value #MOST_SIGNATURES}
 */
public record Sheet(
    Template template,
    Paper paper,
    boolean upright,
    Optional<Art.Colour> colour,
    String heading,
    String opening,
    String closing,
    Optional<Integer> hours,
    Set<Field> fields,
    List<Signature> signatures) {
  public static final int MOST_HOURS = 10_000;
  public static final int MOST_SIGNATURES = 3;

  /** What a badge is printed on that has no sheet of its own. */
  public static final Sheet PLAIN =
      new Sheet(
          Template.PLAIN,
          Paper.A4,
          /* upright= */ false,
          Optional.empty(),
          "",
          "",
          "",
          Optional.empty(),
          EnumSet.of(Field.BADGE, Field.MARK, Field.DESCRIPTION, Field.OUTCOMES, Field.LEVELS),
          List.of());

  /**
   * @throws Refusal if there are more signatures than there is room for
   */
  public Sheet {
    fields = ordered(fields);
    signatures = List.copyOf(signatures);
    if (signatures.size() > MOST_SIGNATURES)
      throw new Refusal("too-many-signatures", "most", MOST_SIGNATURES);
  }

  /** Fields in one order, so that the same ones are written in the same way. */
  public static Set<Field> ordered(Set<Field> fields) {
    Set<Field> ordered = EnumSet.noneOf(Field.class);
    ordered.addAll(fields);
    return Collections.unmodifiableSet(ordered);
  }

  /** How all is placed. */
  public enum Template {
    /** On a thread from top to bottom. */
    THREAD,
    /** Under a band in the colour. */
    BAND,
    /** In the middle of a double line. */
    FRAME,
    /** On the bare paper. */
    PLAIN
  }

  /** What it is printed on. */
  public enum Paper {
    A4(210, 297),
    LETTER(215.9, 279.4);

    private final double shortSide;
    private final double longSide;

    Paper(double shortSide, double longSide) {
      this.shortSide = shortSide;
      this.longSide = longSide;
    }

    /** In millimetres. */
    double width(boolean upright) {
      return upright ? shortSide : longSide;
    }

    /** In millimetres. */
    double height(boolean upright) {
      return upright ? longSide : shortSide;
    }
  }

  /** What can be printed beside the words. */
  public enum Field {
    /** The badge's picture. */
    BADGE,
    /** The institution's picture. */
    MARK,
    DESCRIPTION,
    OUTCOMES,
    /** The level of each outcome. */
    LEVELS,
    /** The number in the register. */
    NUMBER,
    /** The day on which it was given. */
    DAY,
    /** The day up to which it is valid. */
    END,
    /** By which anybody can check it. */
    CODE
  }

  /**
   * Who signs.
   *
   * @param picture the hash of the written name as a picture
   */
  public record Signature(String name, String office, Optional<String> picture) {}
}
