package yendrik.formats.badge;

import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.parser.LoaderContext;
import com.github.weisj.jsvg.parser.SVGLoader;
import com.github.weisj.jsvg.view.ViewBox;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import yendrik.core.Refusal;

/** Square pictures as PNG (ISO/IEC 15948). */
public final class Png {
  /** The largest side that is drawn, in pixels. */
  public static final int LARGEST = 1024;

  private Png() {}

  /**
   * Draws an SVG without fetching anything that it names.
   *
   * @param size of a side in pixels, 1 to {@value #LARGEST}
   * @throws Refusal if the SVG cannot be read
   */
  public static byte[] of(String svg, int size) {
    SVGDocument document =
        new SVGLoader()
            .load(
                new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)),
                null,
                LoaderContext.createDefault());
    if (document == null) throw new Refusal("picture-unreadable", "name", "SVG");
    var image = new BufferedImage(size, size, BufferedImage.TYPE_INT_ARGB);
    Graphics2D on = image.createGraphics();
    on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    on.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    document.render(null, on, new ViewBox(size, size));
    on.dispose();
    return written(image);
  }

  static byte[] written(BufferedImage image) {
    var out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }
}
