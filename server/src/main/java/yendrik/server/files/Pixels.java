package yendrik.server.files;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import yendrik.server.http.Problem;

/** Whether a picture is whole and not too large: few bytes can say that they are a square mile. */
final class Pixels {
  private static final int MOST = 2000;

  private Pixels() {}

  static void check(String name, byte[] content) throws IOException {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) throw unreadable(name);
      ImageReader reader = readers.next();
      try {
        reader.setInput(in);
        if (reader.getWidth(0) > MOST || reader.getHeight(0) > MOST)
          throw Problem.field("file", "picture-too-large", "name", name, "most", MOST);
        reader.read(0);
      } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
        throw unreadable(name);
      } finally {
        reader.dispose();
      }
    }
  }

  private static Problem unreadable(String name) {
    return Problem.field("file", "picture-unreadable", "name", name);
  }
}
