package yendrik.formats.qti;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * How large a picture is.
 *
 * @param width in pixels
 * @param height in pixels
 */
record Size(double width, double height) {
  /** By what is said of it, else by the picture itself. */
  static Optional<Size> of(Tag picture, byte[] content) {
    Optional<Double> width = picture.number("width").filter(n -> n > 0);
    Optional<Double> height = picture.number("height").filter(n -> n > 0);
    return width.isPresent() && height.isPresent()
        ? Optional.of(new Size(width.get(), height.get()))
        : of(content);
  }

  /** By its first bytes; none for pictures of kinds that Java does not read. */
  static Optional<Size> of(byte[] content) {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) return Optional.empty();
      ImageReader reader = readers.next();
      try {
        reader.setInput(in);
        return Optional.of(new Size(reader.getWidth(0), reader.getHeight(0)));
      } finally {
        reader.dispose();
      }
    } catch (IOException e) {
      return Optional.empty();
    }
  }
}
