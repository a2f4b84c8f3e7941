package yendrik.formats.badge;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import yendrik.core.Refusal;

/**
 * A picture that somebody made for a badge, made harmless and square: a PNG of 512 by 512, or an
 * SVG with only what draws.
 */
public record OwnPicture(String mediaType, byte[] content) {
  public static final String PNG = "image/png";
  public static final String SVG = "image/svg+xml";

  /** The most that an SVG may have, in bytes. */
  public static final int MOST_SVG = 200 << 10;

  private static final int SIDE = 512;
  private static final int WIDE = 900;
  private static final int HIGH = 300;

  /**
   * @param mediaType what the content is
   * @throws Refusal if it cannot be read, or an SVG is too large
   */
  public static OwnPicture of(String mediaType, byte[] content) {
    if (!mediaType.equals(SVG)) return new OwnPicture(PNG, square(content));
    if (content.length > MOST_SVG) throw new Refusal("svg-too-large");
    String svg = SafeSvg.of(content);
    // whether it can be drawn at all is found now, not when somebody is to see it
    Png.of(svg, 64);
    return new OwnPicture(SVG, svg.getBytes(StandardCharsets.UTF_8));
  }

  /**
   * A picture of a written name, as PNG and no larger than is printed.
   *
   * @param content PNG or JPEG
   * @throws Refusal if it cannot be read
   */
  public static OwnPicture signature(byte[] content) {
    BufferedImage image = read(content);
    double share =
        Math.min(1, Math.min((double) WIDE / image.getWidth(), (double) HIGH / image.getHeight()));
    int width = Math.max(1, (int) Math.round(image.getWidth() * share));
    int height = Math.max(1, (int) Math.round(image.getHeight() * share));
    return new OwnPicture(PNG, Png.written(scaled(image, width, height)));
  }

  /** The picture as PNG in a size. */
  public byte[] png(int size) {
    if (mediaType.equals(SVG)) return Png.of(new String(content, StandardCharsets.UTF_8), size);
    return Png.written(scaled(read(content), size, size));
  }

  private static byte[] square(byte[] content) {
    BufferedImage image = read(content);
    int side = Math.min(image.getWidth(), image.getHeight());
    BufferedImage middle =
        image.getSubimage(
            (image.getWidth() - side) / 2, (image.getHeight() - side) / 2, side, side);
    return Png.written(scaled(middle, SIDE, SIDE));
  }

  private static BufferedImage read(byte[] content) {
    try {
      BufferedImage image = ImageIO.read(new ByteArrayInputStream(content));
      if (image != null) return image;
    } catch (IOException _) {
      // said below
    }
    throw new Refusal("picture-unreadable", "name", "PNG");
  }

  private static BufferedImage scaled(BufferedImage image, int width, int height) {
    var scaled = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
    Graphics2D on = scaled.createGraphics();
    on.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
    on.drawImage(image, 0, 0, width, height, null);
    on.dispose();
    return scaled;
  }
}
