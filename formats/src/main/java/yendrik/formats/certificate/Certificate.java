package yendrik.formats.certificate;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import yendrik.core.Refusal;

/**
 * What stands on one certificate.
 *
 * @param language of its words, as BCP 47 says it
 * @param colour of what is drawn, as sRGB in six digits: {@code #0b6f6e}
 * @param name its holder's
 * @param badge its picture
 * @param mark the institution's picture
 * @param hours a sentence about how long the course is; empty for none
 * @param lines what else is said: number, days
 * @param signed who signs, with the picture of each where there is one
 */
public record Certificate(
    Sheet sheet,
    String language,
    String colour,
    String name,
    String title,
    String description,
    Picture badge,
    String issuer,
    Optional<Picture> mark,
    List<Shown> outcomes,
    String hours,
    List<Line> lines,
    Optional<Code> code,
    List<Signed> signed) {

  public Certificate {
    outcomes = List.copyOf(outcomes);
    lines = List.copyOf(lines);
    signed = List.copyOf(signed);
  }

  /**
   * A picture.
   *
   * @param mediaType PNG or JPEG
   * @param alt what it shows, for who does not see it
   */
  public record Picture(String mediaType, byte[] content, String alt) {

    /**
     * How many times as wide as high it is.
     *
     * @throws Refusal if it cannot be read
     */
    double shape() {
      try {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(content));
        if (image != null) return (double) image.getWidth() / image.getHeight();
      } catch (IOException _) {
        // said below
      }
      throw new Refusal("picture-unreadable", "name", alt);
    }
  }

  /**
   * An outcome.
   *
   * @param level that was shown; empty where none is printed
   */
  public record Shown(String name, Optional<String> level) {}

  /** Something that is said in a line. */
  public record Line(String label, String value) {}

  /**
   * By which it is checked.
   *
   * @param address where
   * @param label what one is to do
   * @param typed what one types there who cannot read the code
   */
  public record Code(String address, String label, String typed) {}

  /** Who signs. */
  public record Signed(String name, String office, Optional<Picture> picture) {}
}
