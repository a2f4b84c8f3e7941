package yendrik.formats.badge;

import static yendrik.formats.badge.Outlines.MIDDLE;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.util.Optional;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Entities;
import yendrik.core.Plain;
import yendrik.formats.badge.Art.Colour;
import yendrik.formats.badge.Art.WordsAt;

/**
 * A badge as SVG 1.1 in a box of 256: shapes only, words as outlines, nothing that refers to
 * anything outside, so that it looks the same wherever it is opened.
 */
public final class Drawing {
  private static final double RIBBON_TOP = 178;
  private static final double RIBBON_HIGH = 46;

  private static final Document.OutputSettings XML =
      new Document.OutputSettings().escapeMode(Entities.EscapeMode.xhtml);

  private final Art art;
  private final StringBuilder out = new StringBuilder(4096);
  private final Shape outline;

  private Drawing(Art art) {
    this.art = art;
    outline = Outlines.of(art.shape());
  }

  /**
   * @param alt what it shows, in words; empty for nothing
   */
  public static String svg(Art art, Signs signs, String alt) {
    var drawing = new Drawing(art);
    drawing.all(signs, alt);
    return drawing.out.toString();
  }

  /** The outline alone as path data in a box of 256, for choosing among outlines. */
  public static String outline(Art.Shape shape) {
    return Outlines.data(Outlines.of(shape));
  }

  private void all(Signs signs, String alt) {
    out.append("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 256 256\" role=\"img\">");
    if (!alt.isBlank()) out.append("<title>").append(escaped(alt)).append("</title>");
    path(outline, art.colour());
    pattern();
    edge();
    signs.sign(art.sign()).ifPresent(this::sign);
    art.wordsAt(WordsAt.RIM)
        .ifPresent(
            words -> path(Lettering.curve(words, 25, rim(), MIDDLE, centre()), art.wordsColour()));
    art.wordsAt(WordsAt.RIBBON).ifPresent(this::ribbon);
    out.append("</svg>");
  }

  private static String escaped(String text) {
    return Entities.escape(Plain.cleaned(text), XML);
  }

  private void path(Shape shape, Colour fill) {
    out.append("<path fill=\"").append(fill.hex()).append("\" d=\"");
    out.append(Outlines.data(shape)).append("\"/>");
  }

  private void stroke(Shape shape, Colour colour, double width, String more) {
    out.append("<path fill=\"none\" stroke=\"").append(colour.hex()).append("\" stroke-width=\"");
    Outlines.number(out, width).append('"').append(more).append(" d=\"");
    out.append(Outlines.data(shape)).append("\"/>");
  }

  private Shape scaled(double share) {
    // along teeth an edge would only flicker
    if (art.shape() == Art.Shape.COG || art.shape() == Art.Shape.SCALLOP)
      return circle(MIDDLE, MIDDLE, 108 * share);
    var to = AffineTransform.getTranslateInstance(MIDDLE, centre());
    to.scale(share, share);
    to.translate(-MIDDLE, -centre());
    return to.createTransformedShape(outline);
  }

  /** Where a shape looks to have its middle. */
  private double centre() {
    return switch (art.shape()) {
      case SHIELD -> 122;
      case BANNER -> 106;
      case PENTAGON -> 136;
      default -> MIDDLE;
    };
  }

  private void edge() {
    Colour trim = art.trimColour();
    switch (art.edge()) {
      case NONE -> {}
      case LINE -> stroke(scaled(0.9), trim, 4, "");
      case DOUBLE -> {
        stroke(scaled(0.93), trim, 3, "");
        stroke(scaled(0.85), trim, 3, "");
      }
      case DASHES -> stroke(scaled(0.9), trim, 4, " stroke-dasharray=\"14 9\"");
      case DOTS ->
          stroke(scaled(0.9), trim, 6, " stroke-linecap=\"round\" stroke-dasharray=\"0 13\"");
      case STITCH -> {
        stroke(outline, trim, 5, " stroke-linejoin=\"round\"");
        stroke(scaled(0.88), trim, 3, " stroke-dasharray=\"8 7\"");
      }
    }
  }

  private void pattern() {
    if (art.pattern() == Art.Pattern.NONE) return;
    Colour faint = art.colour().contrast(Colour.PAPER) > 4 ? Colour.PAPER : Colour.INK;
    out.append("<clipPath id=\"in\"><path d=\"").append(Outlines.data(outline));
    out.append("\"/></clipPath><g clip-path=\"url(#in)\" opacity=\"0.14\">");
    switch (art.pattern()) {
      case NONE -> {}
      case RAYS -> path(rays(), faint);
      case STRIPES -> path(stripes(), faint);
      case CHECKS -> path(checks(), faint);
      case RINGS -> {
        for (int r = 30; r < 180; r += 30) stroke(circle(MIDDLE, centre(), r), faint, 10, "");
      }
      case SPOTS -> path(spots(), faint);
    }
    out.append("</g>");
  }

  private Shape rays() {
    var all = new Path2D.Double();
    for (int i = 0; i < 12; i++) {
      double from = Math.toRadians(i * 30);
      double to = Math.toRadians(i * 30 + 15);
      all.moveTo(MIDDLE, centre());
      all.lineTo(MIDDLE + 190 * Math.cos(from), centre() + 190 * Math.sin(from));
      all.lineTo(MIDDLE + 190 * Math.cos(to), centre() + 190 * Math.sin(to));
      all.closePath();
    }
    return all;
  }

  private static Shape stripes() {
    var all = new Path2D.Double();
    for (int x = -256; x < 256; x += 32) {
      all.moveTo(x, 256);
      all.lineTo(x + 16, 256);
      all.lineTo(x + 272, 0);
      all.lineTo(x + 256, 0);
      all.closePath();
    }
    return all;
  }

  private static Shape checks() {
    var all = new Path2D.Double();
    for (int x = 0; x < 8; x++)
      for (int y = x % 2; y < 8; y += 2)
        all.append(new java.awt.geom.Rectangle2D.Double(x * 32, y * 32, 32, 32), false);
    return all;
  }

  private static Shape spots() {
    var all = new Path2D.Double();
    for (int x = 0; x <= 8; x++)
      for (int y = 0; y <= 8; y++)
        all.append(circle(x * 32 + (y % 2) * 16, y * 32, 7), /* connect= */ false);
    return all;
  }

  private static Shape circle(double x, double y, double radius) {
    return new java.awt.geom.Ellipse2D.Double(x - radius, y - radius, 2 * radius, 2 * radius);
  }

  private double rim() {
    return switch (art.shape()) {
      case DIAMOND -> 50;
      case BANNER -> 62;
      case HEXAGON, BARREL, PENTAGON -> 72;
      default -> 80;
    };
  }

  private void sign(Signs.Sign sign) {
    boolean rim = art.wordsAt(WordsAt.RIM).isPresent();
    boolean ribbon = art.wordsAt(WordsAt.RIBBON).isPresent();
    double room = art.shape() == Art.Shape.DIAMOND ? 0.8 : 1;
    double size = (rim ? 92 : ribbon ? 124 : 132) * room;
    double middle = centre() + (rim ? 12 : ribbon ? -20 : 0);
    Optional<String> filled =
        art.signStyle() == Art.SignStyle.BOLD
            ? sign.bold().or(sign::fill)
            : sign.fill().or(sign::bold);
    filled.ifPresent(d -> {
      place(size / 256, 128, middle);
      out.append("fill=\"").append(art.signColour().hex()).append("\" d=\"").append(d);
      out.append("\"/>");
    });
    if (filled.isEmpty())
      sign.line()
          .ifPresent(d -> {
            place(size / 56, 50, middle);
            out.append("fill=\"none\" stroke=\"").append(art.signColour().hex());
            out.append(
                "\" stroke-width=\"5\" stroke-linejoin=\"round\" stroke-linecap=\"round\" d=\"");
            out.append(d).append("\"/>");
          });
  }

  private void place(double share, double half, double middle) {
    out.append("<path transform=\"translate(");
    Outlines.number(out, MIDDLE).append(' ');
    Outlines.number(out, middle).append(") scale(").append(Math.round(share * 1000) / 1000.0);
    out.append(") translate(-").append((int) half).append(" -").append((int) half).append(")\" ");
  }

  private void ribbon(String words) {
    double bottom = RIBBON_TOP + RIBBON_HIGH;
    double half = RIBBON_TOP + RIBBON_HIGH / 2;
    var band = new Path2D.Double();
    band.moveTo(2, RIBBON_TOP);
    band.lineTo(254, RIBBON_TOP);
    band.lineTo(238, half);
    band.lineTo(254, bottom);
    band.lineTo(2, bottom);
    band.lineTo(18, half);
    band.closePath();
    path(band, art.trimColour());
    path(Lettering.line(words, 27, 204, MIDDLE, half), art.wordsColour());
  }
}
