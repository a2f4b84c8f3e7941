package yendrik.formats.certificate;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.LineBreakMeasurer;
import java.awt.font.TextAttribute;
import java.awt.font.TextLayout;
import java.awt.geom.AffineTransform;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.lang.Character.UnicodeScript;
import java.text.AttributedString;
import java.text.Bidi;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;

/**
 * Writing in any script. What a PDF writer can set letter by letter is left to it; letters that
 * join, stand above each other or run from right to left are shaped here and drawn as outlines.
 */
public final class Letters {
  private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);

  /** Scripts that are set one letter after the other. */
  private static final Set<UnicodeScript> ONE_BY_ONE =
      Set.of(
          UnicodeScript.LATIN,
          UnicodeScript.GREEK,
          UnicodeScript.CYRILLIC,
          UnicodeScript.ARMENIAN,
          UnicodeScript.GEORGIAN,
          UnicodeScript.COMMON);

  private static final Font MORE = read(file("more.ttf"));
  private final List<Supplier<InputStream>> scripts;
  private final Map<Integer, Font> read = new ConcurrentHashMap<>();

  /**
   * @param scripts fonts for what those of this room lack (OpenType with TrueType outlines), asked
   *     in their order and only where they are needed
   */
  public Letters(List<Supplier<InputStream>> scripts) {
    this.scripts = List.copyOf(scripts);
  }

  /** The faces that are used on paper. */
  enum Face {
    TITLE("Title", "title.ttf"),
    TEXT("Text", "text.ttf"),
    BOLD("Text", "text-bold.ttf");

    private final String family;
    private final String file;
    private final Font font;

    Face(String family, String file) {
      this.family = family;
      this.file = file;
      font = read(Letters.file(file));
    }

    String family() {
      return family;
    }

    String file() {
      return file;
    }
  }

  static Supplier<InputStream> file(String name) {
    return () -> Letters.class.getResourceAsStream("/yendrik/formats/pdf/" + name);
  }

  private static Font read(Supplier<InputStream> file) {
    try (InputStream in = file.get()) {
      return Font.createFont(Font.TRUETYPE_FONT, in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (FontFormatException e) {
      throw new IllegalStateException(e);
    }
  }

  /** The text in the form in which letters and their marks are one where they can be. */
  static String composed(String text) {
    return Normalizer.normalize(text, Normalizer.Form.NFC);
  }

  /** Whether a text can be set letter by letter. */
  boolean plain(String text, Face face) {
    Font font = face.font;
    return text.codePoints()
            .allMatch(c ->
                ONE_BY_ONE.contains(UnicodeScript.of(c))
                    && (font.canDisplay(c) || MORE.canDisplay(c)))
        && !Bidi.requiresBidi(text.toCharArray(), 0, text.length());
  }

  /** Whether there is a font for each of its letters. */
  public boolean has(String text) {
    return composed(text)
        .codePoints()
        .allMatch(c -> Character.isWhitespace(c) || font(c, Face.TEXT.font).canDisplay(c));
  }

  /**
   * A line as it is set.
   *
   * @param width in points, as the others
   */
  record Line(String text, double width, double ascent, double descent, TextLayout set) {
    Shape outline() {
      return set.getOutline(AffineTransform.getTranslateInstance(0, ascent));
    }
  }

  /**
   * A text in lines.
   *
   * @param size in points
   * @param width of the lines in points
   */
  List<Line> lines(String text, Face face, double size, double width) {
    if (text.isBlank()) return List.of();
    var lines = new LineBreakMeasurer(attributed(text, face, (float) size).getIterator(), EXACT);
    List<Line> all = new ArrayList<>();
    while (lines.getPosition() < text.length()) {
      int from = lines.getPosition();
      TextLayout line = lines.nextLayout((float) width);
      all.add(
          new Line(
              text.substring(from, lines.getPosition()).strip(),
              line.getVisibleAdvance(),
              line.getAscent(),
              line.getDescent(),
              line));
    }
    return all;
  }

  /** How wide a text is in one line, in points. */
  double width(String text, Face face, double size) {
    if (text.isBlank()) return 0;
    return new TextLayout(attributed(text, face, (float) size).getIterator(), EXACT).getAdvance();
  }

  private AttributedString attributed(String text, Face face, float size) {
    var attributed = new AttributedString(text);
    Font usual = face.font;
    Font now = usual;
    int from = 0;
    for (int at = 0; at < text.length(); at += Character.charCount(text.codePointAt(at))) {
      int c = text.codePointAt(at);
      Font font = goesOn(c) && now.canDisplay(c) ? now : font(c, usual);
      if (!font.equals(now)) {
        if (at > from) attributed.addAttribute(TextAttribute.FONT, now.deriveFont(size), from, at);
        from = at;
        now = font;
      }
    }
    attributed.addAttribute(TextAttribute.FONT, now.deriveFont(size), from, text.length());
    return attributed;
  }

  /** Marks and signs are set in the font of the letters before them. */
  private static boolean goesOn(int c) {
    UnicodeScript script = UnicodeScript.of(c);
    return script == UnicodeScript.INHERITED || script == UnicodeScript.COMMON;
  }

  private Font font(int c, Font usual) {
    if (usual.canDisplay(c)) return usual;
    if (ONE_BY_ONE.contains(UnicodeScript.of(c)) && MORE.canDisplay(c)) return MORE;
    for (int n = 0; n < scripts.size(); n++) {
      Font font = read.computeIfAbsent(n, i -> read(scripts.get(i)));
      if (font.canDisplay(c)) return font;
    }
    return MORE;
  }
}
