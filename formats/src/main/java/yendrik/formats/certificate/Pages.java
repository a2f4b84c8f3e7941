package yendrik.formats.certificate;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import yendrik.core.look.Colour;
import yendrik.core.look.Look;
import yendrik.formats.certificate.Certificate.Picture;
import yendrik.formats.certificate.Layout.Area;
import yendrik.formats.certificate.Letters.Face;
import yendrik.formats.certificate.Sheet.Template;

/** Certificates as pages of XHTML, every part in its place. */
final class Pages {
  /** The type of what is drawn in a place of the page. */
  static final String DRAWN = "drawn";

  private static final String INK = "#17212a";
  private static final String SOFT = "#55636b";
  private static final String PAPER = "#ffffff";
  private static final double PIXELS = 96.0 / 72;
  private static final int SMALL = 9;

  /** How high the institution's picture is at most, in millimetres, and how wide. */
  private static final double MARK = 12;

  private static final double WIDEST_MARK = 46;
  private static final int TINY = 7;
  private static final String SPACE = "\u00a0";
  private static final String APART = "\u2003 ";

  private static final String STYLE =
      """
      /* words say their size themselves: no line is higher than they are */
      body { margin: 0; color: %s; font: 1pt/1pt 'Text', 'More' }
      object { display: inline-block }
      .page { position: relative; overflow: hidden; page-break-inside: avoid }
      .page + .page { page-break-before: always }
      .at { position: absolute }
      h1, h2, p { margin: 0; font-weight: 400 }
      .title { font-family: 'Title', 'More' }
      .soft { color: %s }
      table { width: 100%%; border-collapse: collapse }
      td { vertical-align: top; padding: 0 }
      .middle { text-align: center }
      .signatures td { vertical-align: bottom; padding: 0 4mm }
      .sign { border-top: 0.3mm solid %s; padding-top: 1mm }
      """
          .formatted(INK, SOFT, SOFT);

  /** Keeps a shape to be drawn, in a colour and a box, and says under which name. */
  @FunctionalInterface
  interface Drawing {
    String keep(Shape shape, String colour, double width, double height);
  }

  private final List<Certificate> certificates;
  private final Letters letters;
  private final Drawing drawing;
  private final Document document = Document.createShell("");

  Pages(String title, List<Certificate> certificates, Letters letters, Drawing drawing) {
    this.certificates = certificates;
    this.letters = letters;
    this.drawing = drawing;
    Certificate first = certificates.getFirst();
    Sheet sheet = first.sheet();
    document.title(title);
    document.getElementsByTag("html").attr("lang", first.language());
    document.head().appendElement("meta").attr("name", "description").attr("content", title);
    document
        .head()
        .appendElement("style")
        .text(
            STYLE
                + "@page { size: %s %s; margin: 0 }"
                    .formatted(
                        mm(sheet.paper().width(sheet.upright())),
                        mm(sheet.paper().height(sheet.upright()))));
  }

  Document document() {
    for (Certificate certificate : certificates) page(certificate);
    return document;
  }

  private static String mm(double length) {
    return String.format(Locale.ROOT, "%.2fmm", length);
  }

  private static String pt(double length) {
    return String.format(Locale.ROOT, "%.2fpt", length);
  }

  private static Element at(Element page, Area area) {
    return page.appendElement("div")
        .addClass("at")
        .attr(
            "style",
            "left: %s; top: %s; width: %s"
                .formatted(mm(area.left()), mm(area.top()), mm(area.width())));
  }

  private void page(Certificate of) {
    Sheet sheet = of.sheet();
    double width = sheet.paper().width(sheet.upright());
    double height = sheet.paper().height(sheet.upright());
    Layout layout = Layout.of(sheet);
    Fitting fit = Fitting.of(of, layout, letters);
    Element page =
        document
            .body()
            .appendElement("div")
            .addClass("page")
            // a little less, so that no empty page follows
            .attr("style", "width: %s; height: %s".formatted(mm(width), mm(height - 0.2)));
    ground(page, of, width, height);
    issuer(page, of, layout);
    if (sheet.template() == Template.BAND)
      words(
          at(page, new Area(22, Layout.band(width) - 24, layout.issuer().width(), 20))
              .appendElement("h1"),
          sheet.heading(),
          Face.TITLE,
          Fitting.HEADING * 1.1,
          onColour(of),
          layout.issuer().width());
    main(page, of, layout, fit);
    foot(page, of, layout);
    if (sheet.fields().contains(Sheet.Field.BADGE))
      picture(at(page, layout.badge()), of.badge(), layout.badge());
    of.code().ifPresent(code -> code(page, code, layout.code()));
  }

  /** What is drawn below everything; it says nothing. */
  private static void ground(Element page, Certificate of, double width, double height) {
    String colour = of.colour();
    switch (of.sheet().template()) {
      case THREAD -> {
        double at = Layout.thread(width);
        filled(page, new Area(at - 0.6, 0, 1.2, height), colour);
      }
      case BAND -> filled(page, new Area(0, 0, width, Layout.band(width)), colour);
      case FRAME -> {
        lined(page, new Area(9, 9, width - 18, height - 18.2), colour, 1.1);
        lined(page, new Area(12.2, 12.2, width - 24.4, height - 24.6), colour, 0.3);
      }
      case PLAIN -> filled(page, new Area(22, 36, 22, 1.6), colour);
    }
  }

  private static void filled(Element page, Area area, String colour) {
    Element box = at(page, area);
    box.attr(
        "style",
        box.attr("style") + "; height: %s; background: %s".formatted(mm(area.height()), colour));
  }

  private static void lined(Element page, Area area, String colour, double thick) {
    Element box = at(page, area);
    box.attr(
        "style",
        box.attr("style")
            + "; height: %s; border: %s solid %s; box-sizing: border-box"
                .formatted(mm(area.height()), mm(thick), colour));
  }

  /** The colour for words on paper; ink where it is too light to be read. */
  private static String written(Certificate of) {
    return Colour.of(of.colour()).contrast(Colour.of(PAPER)) >= Look.LEAST ? of.colour() : INK;
  }

  /** What can be read on the colour: white, or ink where that is too light. */
  private static String onColour(Certificate of) {
    Colour ground = Colour.of(of.colour());
    return ground.contrast(Colour.of(PAPER)) >= ground.contrast(Colour.of(INK)) ? PAPER : INK;
  }

  private void issuer(Element page, Certificate of, Layout layout) {
    Area area = layout.issuer();
    Element box = at(page, area);
    String colour = of.sheet().template() == Template.BAND ? onColour(of) : INK;
    double left = 0;
    if (of.mark().isPresent() && of.sheet().fields().contains(Sheet.Field.MARK)) {
      Picture mark = of.mark().get();
      Area at = fitted(mark, Math.min(WIDEST_MARK, area.width() / 2));
      if (of.sheet().template() == Template.BAND)
        filled(box, new Area(-1.2, at.top() - 1.2, at.width() + 2.4, at.height() + 2.4), PAPER);
      box.appendElement("img")
          .attr("src", data(mark))
          .attr("alt", mark.alt())
          .attr(
              "style",
              "width: %s; height: %s; position: absolute; left: 0; top: %s"
                  .formatted(mm(at.width()), mm(at.height()), mm(at.top())));
      left = at.width() + 3;
    }
    Element name =
        box.appendElement("p")
            .attr("style", "margin-left: %s; padding-top: %s".formatted(mm(left), mm(3)));
    words(name, of.issuer(), Face.BOLD, 11, colour, area.width() - left);
  }

  /** A picture of any shape, as high as the line beside it or as wide as it may be. */
  private static Area fitted(Picture picture, double widest) {
    double shape = picture.shape();
    double width = Math.min(widest, MARK * shape);
    double height = width / shape;
    return new Area(0, (MARK - height) / 2, width, height);
  }

  private void main(Element page, Certificate of, Layout layout, Fitting fit) {
    Sheet sheet = of.sheet();
    Element main = at(page, layout.main());
    if (layout.middle()) main.addClass("middle");
    double width = layout.main().width();
    if (sheet.template() != Template.BAND)
      block(main, "h1", sheet.heading(), Face.TITLE, Fitting.HEADING, written(of), width, fit);
    block(main, "p", sheet.opening(), Face.TEXT, Fitting.LITTLE, SOFT, width, fit);
    Element name = main.appendElement("p").addClass("title");
    name.attr("style", "margin-bottom: " + pt(fit.of(Fitting.GAP)));
    words(name, of.name(), Face.TITLE, fit.name(), INK, width);
    block(main, "p", sheet.closing(), Face.TEXT, Fitting.LITTLE, SOFT, width, fit);
    block(main, "h2", of.title(), Face.TITLE, Fitting.TITLE, INK, width, fit);
    block(main, "p", of.description(), Face.TEXT, Fitting.TEXT, INK, width, fit);
    outcomes(main, of, width, fit);
    block(main, "p", of.hours(), Face.TEXT, Fitting.TEXT, INK, width, fit);
  }

  private void block(
      Element main,
      String tag,
      String text,
      Face face,
      double size,
      String colour,
      double width,
      Fitting fit) {
    if (text.isBlank()) return;
    Element block = main.appendElement(tag);
    block.attr("style", "margin-bottom: " + pt(fit.of(Fitting.GAP)));
    words(block, text.strip(), face, fit.of(size), colour, width);
  }

  private void outcomes(Element main, Certificate of, double width, Fitting fit) {
    if (of.outcomes().isEmpty()) return;
    Element table =
        main.appendElement("table").attr("style", "margin-bottom: " + pt(fit.of(Fitting.GAP)));
    if (of.sheet().template() == Template.FRAME && fit.columns() == 1)
      table.attr(
          "style", table.attr("style") + "; width: auto; margin-left: auto; margin-right: auto");
    table.addClass("outcomes");
    int columns = fit.columns();
    double column = width / columns - fit.of(Fitting.MARK) / Fitting.POINTS;
    for (int from = 0; from < of.outcomes().size(); from += columns) {
      Element row = table.appendElement("tr");
      for (int i = from; i < from + columns; i++) {
        Element cell =
            row.appendElement("td")
                .attr(
                    "style",
                    "text-align: left; width: %d%%; padding-bottom: %s"
                        .formatted(100 / columns, pt(fit.of(Fitting.OUTCOME))));
        if (i < of.outcomes().size()) outcome(cell, of.outcomes().get(i), of, column, fit);
      }
    }
  }

  private void outcome(
      Element cell, Certificate.Shown outcome, Certificate of, double width, Fitting fit) {
    double size = fit.of(Fitting.TEXT);
    Element line =
        cell.appendElement("div")
            .attr(
                "style",
                "padding-left: %s; position: relative; line-height: %s"
                    .formatted(pt(size * 1.4), pt(size * Fitting.LEADING)));
    knot(line, of.colour(), size);
    words(line, outcome.name(), Face.TEXT, size, INK, width);
    outcome
        .level()
        .ifPresent(level -> {
          words(line, " \u2013 ", Face.TEXT, size, INK, width);
          words(line, level, Face.BOLD, size, written(of), width);
        });
  }

  /** A knot of the thread, as a sign before an outcome; it says nothing. */
  private static void knot(Element line, String colour, double size) {
    double side = size * 0.42;
    line.appendElement("div")
        .attr(
            "style",
            "position: absolute; left: %s; top: %s; width: %s; height: %s; background: %s; transform: rotate(45deg)"
                .formatted(pt(size * 0.2), pt(size * 0.42), pt(side), pt(side), colour));
  }

  private void foot(Element page, Certificate of, Layout layout) {
    Area area = layout.foot();
    Element foot = at(page, area);
    if (layout.middle()) foot.addClass("middle");
    if (!of.signed().isEmpty())
      signatures(
          foot,
          of.signed(),
          // beside the code, which stands at the right of what is in the middle
          layout.middle() ? area.width() - 2 * Layout.CODE - 12 : area.width());
    Element lines =
        foot.appendElement("p")
            .attr("style", "position: absolute; left: 0; right: 0; top: " + mm(area.height() - 6));
    double usual = 0;
    for (Certificate.Line line : of.lines())
      usual +=
          letters.width(line.label() + SPACE + APART, Face.TEXT, SMALL)
              + letters.width(line.value(), Face.BOLD, SMALL);
    double size = Math.min(SMALL, SMALL * area.width() * Fitting.POINTS / Math.max(1, usual));
    for (Certificate.Line line : of.lines()) {
      if (!line.equals(of.lines().getFirst()))
        words(lines, APART, Face.TEXT, size, SOFT, area.width());
      words(lines, line.label() + SPACE, Face.TEXT, size, SOFT, area.width());
      words(lines, line.value(), Face.BOLD, size, INK, area.width());
    }
  }

  private void signatures(Element foot, List<Certificate.Signed> signed, double width) {
    double each = Math.min(62, width / signed.size());
    Element row =
        foot.appendElement("table")
            .addClass("signatures")
            .attr(
                "style",
                "width: %s; %s"
                    .formatted(
                        mm(each * signed.size()),
                        foot.hasClass("middle")
                            ? "margin-left: auto; margin-right: auto"
                            : "margin-left: -4mm"))
            .appendElement("tr");
    for (Certificate.Signed one : signed) {
      Element cell = row.appendElement("td").attr("style", "width: " + mm(each));
      Element above = cell.appendElement("div").attr("style", "height: " + mm(13));
      one.picture()
          .ifPresent(picture ->
              above
                  .appendElement("img")
                  .attr("src", data(picture))
                  .attr("alt", picture.alt())
                  .attr("style", "max-height: %s; max-width: %s".formatted(mm(13), mm(each - 8))));
      Element below = cell.appendElement("div").addClass("sign");
      words(below.appendElement("p"), one.name(), Face.BOLD, SMALL, INK, each - 8);
      words(below.appendElement("p"), one.office(), Face.TEXT, SMALL, SOFT, each - 8);
    }
  }

  private static void picture(Element box, Picture picture, Area area) {
    box.appendElement("img")
        .attr("src", data(picture))
        .attr("alt", picture.alt())
        .attr("style", "width: %s; height: %s".formatted(mm(area.width()), mm(area.height())));
  }

  private void code(Element page, Certificate.Code code, Area area) {
    Element box =
        at(
            page,
            new Area(area.left() - 1.5, area.top() - 1.5, area.width() + 3, area.height() + 3));
    box.attr(
        "style",
        box.attr("style")
            + "; padding: 1.5mm 0; background: %s; text-align: center".formatted(PAPER));
    double side = Math.round(area.width() * Fitting.POINTS * PIXELS);
    drawn(box, CertificatePdf.code(code.address()), INK, 1, 1, side, side, code.address());
    double wide = area.width() + 18;
    Element said = at(page, new Area(area.left() - 9, area.bottom() + 1.5, wide, 9));
    said.addClass("middle");
    said.attr("style", said.attr("style") + "; background: " + PAPER);
    words(said.appendElement("p"), code.label(), Face.TEXT, TINY, SOFT, wide);
    words(said.appendElement("p"), code.typed(), Face.BOLD, TINY, INK, wide);
  }

  private Element drawn(
      Element at,
      Shape shape,
      String colour,
      double boxWidth,
      double boxHeight,
      double width,
      double height,
      String alt) {
    return at.appendElement("object")
        .attr("type", DRAWN)
        .attr("data", drawing.keep(shape, colour, boxWidth, boxHeight))
        .attr("alt", alt)
        .attr("style", "width: %spx; height: %spx".formatted(width, height));
  }

  /** Words: as text, or as outlines where their letters cannot be set one by one. */
  private void words(Element at, String text, Face face, double size, String colour, double width) {
    String composed = Letters.composed(text);
    if (letters.plain(composed, face)) {
      at.appendElement("span")
          .attr(
              "style",
              "font: %d %s/%s '%s', 'More'; color: %s"
                  .formatted(
                      face == Face.BOLD ? 700 : 400,
                      pt(size),
                      pt(size * Fitting.LEADING),
                      face.family(),
                      colour))
          .text(composed);
      return;
    }
    for (Letters.Line line : letters.lines(composed, face, size, width * Fitting.POINTS)) {
      double wide = Math.ceil((line.width() + size * 0.2) * PIXELS);
      double high = Math.ceil(size * Fitting.LEADING * 1.1 * PIXELS);
      double down = (high / PIXELS - line.ascent() - line.descent()) / 2;
      Shape outline =
          AffineTransform.getTranslateInstance(0, Math.max(0, down))
              .createTransformedShape(line.outline());
      drawn(at, outline, colour, wide / PIXELS, high / PIXELS, wide, high, line.text());
    }
  }

  private static String data(Picture picture) {
    return "data:%s;base64,%s"
        .formatted(picture.mediaType(), Base64.getEncoder().encodeToString(picture.content()));
  }
}
