package yendrik.formats.badge;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.stream.Stream;

/** Words as outlines, so that they look the same wherever a badge is shown. */
final class Lettering {
  private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);

  /** Bold, and one that has letters which the first one lacks. */
  private static final List<Font> FONTS =
      Stream.of("text-bold.ttf", "more.ttf").map(Lettering::font).toList();

  private Lettering() {}

  private static Font font(String name) {
    try (InputStream file = Lettering.class.getResourceAsStream("/yendrik/formats/pdf/" + name)) {
      return Font.createFont(Font.TRUETYPE_FONT, file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (FontFormatException e) {
      throw new IllegalStateException(e);
    }
  }

  private static GlyphVector set(String words, float size) {
    Font font =
        FONTS.stream()
            .filter(f -> f.canDisplayUpTo(words) < 0)
            .findFirst()
            .orElse(FONTS.getFirst())
            .deriveFont(size);
    char[] letters = words.toCharArray();
    return font.layoutGlyphVector(EXACT, letters, 0, letters.length, Font.LAYOUT_LEFT_TO_RIGHT);
  }

  /** In a line about a middle, made smaller where it is too wide. */
  static Shape line(String words, float size, double width, double x, double y) {
    GlyphVector set = set(words, size);
    double wide = set.getLogicalBounds().getWidth();
    if (wide > width) {
      set = set(words, (float) (size * width / wide));
      wide = set.getLogicalBounds().getWidth();
    }
    Rectangle2D high = set("H", size).getVisualBounds();
    double share = Math.min(1, width / Math.max(1, wide));
    double down = high.getHeight() / 2 * share;
    return set.getOutline((float) (x - wide / 2), (float) (y + down));
  }

  /** Along the top of a circle, each letter turned with it, made smaller where it is too long. */
  static Shape curve(String words, float size, double radius, double x, double y) {
    double most = Math.toRadians(230) * radius;
    GlyphVector set = set(words, size);
    double long_ = set.getLogicalBounds().getWidth();
    if (long_ > most) {
      set = set(words, (float) (size * most / long_));
      long_ = set.getLogicalBounds().getWidth();
    }
    var all = new Path2D.Double();
    for (int i = 0; i < set.getNumGlyphs(); i++) {
      double from = set.getGlyphPosition(i).getX();
      double middle = (from + set.getGlyphPosition(i + 1).getX()) / 2;
      var turn = new AffineTransform();
      turn.translate(x, y);
      turn.rotate((middle - long_ / 2) / radius);
      turn.translate(-middle, -radius);
      all.append(turn.createTransformedShape(set.getGlyphOutline(i)), false);
    }
    return all;
  }
}
