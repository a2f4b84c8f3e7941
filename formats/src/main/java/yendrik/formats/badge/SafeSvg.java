package yendrik.formats.badge;

import java.io.ByteArrayInputStream;
import java.io.StringWriter;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;
import yendrik.core.Refusal;

/**
 * An SVG (1.1) that somebody made, with only what draws left in it: no scripts, no events, nothing
 * that refers to anything outside, no repeated drawing that swells. It comes out square.
 */
final class SafeSvg {
  private static final String SVG = "http://www.w3.org/2000/svg";
  private static final int MOST_ELEMENTS = 5_000;
  private static final int DEEPEST = 60;

  private static final Set<String> ELEMENTS =
      Set.of(
          "svg",
          "g",
          "path",
          "rect",
          "circle",
          "ellipse",
          "line",
          "polyline",
          "polygon",
          "defs",
          "linearGradient",
          "radialGradient",
          "stop",
          "clipPath",
          "title",
          "desc");

  private static final Set<String> ATTRIBUTES =
      Set.of(
          "id",
          "d",
          "x",
          "y",
          "x1",
          "y1",
          "x2",
          "y2",
          "cx",
          "cy",
          "r",
          "rx",
          "ry",
          "fx",
          "fy",
          "width",
          "height",
          "points",
          "transform",
          "opacity",
          "fill",
          "fill-opacity",
          "fill-rule",
          "clip-rule",
          "clip-path",
          "stroke",
          "stroke-width",
          "stroke-opacity",
          "stroke-linecap",
          "stroke-linejoin",
          "stroke-miterlimit",
          "stroke-dasharray",
          "stroke-dashoffset",
          "offset",
          "stop-color",
          "stop-opacity",
          "gradientUnits",
          "gradientTransform",
          "spreadMethod",
          "clipPathUnits",
          "color");

  /** What of a style is what an attribute could say. */
  private static final Pattern DECLARATION = Pattern.compile("\\s*([a-z-]+)\\s*:\\s*([^;]+)");

  private static final Pattern WITHIN = Pattern.compile("url\\(\\s*['\"]?#[\\w-]+['\"]?\\s*\\)");
  private static final Pattern BOX = Pattern.compile("[\\s,]+");

  private final XMLStreamReader in;
  private final XMLStreamWriter out;
  private int elements;
  private int depth;

  private SafeSvg(XMLStreamReader in, XMLStreamWriter out) {
    this.in = in;
    this.out = out;
  }

  /**
   * @throws Refusal if it is no SVG, has a document type, or is too large to be drawn
   */
  static String of(byte[] content) {
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setXMLResolver((_, _, _, _) -> {
      throw new XMLStreamException("nothing is fetched");
    });
    var text = new StringWriter();
    try {
      XMLStreamReader in = factory.createXMLStreamReader(new ByteArrayInputStream(content));
      XMLStreamWriter out = XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(text);
      new SafeSvg(in, out).copy();
      out.flush();
    } catch (XMLStreamException | IllegalArgumentException e) {
      throw new Refusal("svg-unreadable");
    }
    return text.toString();
  }

  private void copy() throws XMLStreamException {
    while (in.hasNext()) {
      switch (in.next()) {
        case XMLStreamConstants.DTD, XMLStreamConstants.ENTITY_REFERENCE ->
            throw new Refusal("svg-with-document-type");
        case XMLStreamConstants.START_ELEMENT -> begin();
        case XMLStreamConstants.END_ELEMENT -> {
          out.writeEndElement();
          depth--;
        }
        case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
          if (!in.isWhiteSpace()) out.writeCharacters(in.getText());
        }
        default -> {}
      }
    }
    if (elements == 0) throw new Refusal("svg-unreadable");
  }

  private void begin() throws XMLStreamException {
    boolean drawn = SVG.equals(in.getNamespaceURI()) && ELEMENTS.contains(in.getLocalName());
    if (depth == 0 && !(drawn && in.getLocalName().equals("svg")))
      throw new Refusal("svg-unreadable");
    // an svg within is a picture of its own, with a box of its own
    if (!drawn || (depth > 0 && in.getLocalName().equals("svg"))) {
      skip();
      return;
    }
    if (++elements > MOST_ELEMENTS || ++depth > DEEPEST) throw new Refusal("svg-too-large");
    out.writeStartElement(in.getLocalName());
    if (elements == 1) root();
    else attributes();
  }

  private void skip() throws XMLStreamException {
    for (int open = 1; open > 0; ) {
      int next = in.next();
      if (next == XMLStreamConstants.START_ELEMENT) open++;
      if (next == XMLStreamConstants.END_ELEMENT) open--;
      if (next == XMLStreamConstants.ENTITY_REFERENCE) throw new Refusal("svg-with-document-type");
    }
  }

  /** The middle of what it shows, as a square. */
  private void root() throws XMLStreamException {
    double[] box = box();
    double side = Math.max(box[2], box[3]);
    out.writeDefaultNamespace(SVG);
    out.writeAttribute(
        "viewBox",
        String.format(
            Locale.ROOT,
            "%.3f %.3f %.3f %.3f",
            box[0] + (box[2] - side) / 2,
            box[1] + (box[3] - side) / 2,
            side,
            side));
    for (String name : Set.of("fill", "stroke", "stroke-width", "fill-rule")) {
      String value = in.getAttributeValue(null, name);
      if (value != null && harmless(value)) out.writeAttribute(name, value);
    }
  }

  private double[] box() {
    String written = in.getAttributeValue(null, "viewBox");
    double[] box = {0, 0, length("width"), length("height")};
    if (written != null) {
      String[] parts = BOX.split(written.strip());
      if (parts.length != 4) throw new Refusal("svg-without-size");
      for (int i = 0; i < 4; i++) box[i] = number(parts[i]);
    }
    if (!(box[2] > 0 && box[3] > 0)) throw new Refusal("svg-without-size");
    return box;
  }

  private double length(String name) {
    String written = in.getAttributeValue(null, name);
    if (written == null || written.endsWith("%")) return 0;
    return number(written.replaceAll("[a-z]+$", ""));
  }

  private static double number(String written) {
    try {
      double number = Double.parseDouble(written);
      if (Math.abs(number) <= 1e6) return number;
    } catch (NumberFormatException _) {
      // said below
    }
    throw new Refusal("svg-without-size");
  }

  private void attributes() throws XMLStreamException {
    for (int i = 0; i < in.getAttributeCount(); i++) {
      if (in.getAttributeNamespace(i) != null && !in.getAttributeNamespace(i).isEmpty()) continue;
      String name = in.getAttributeLocalName(i);
      String value = in.getAttributeValue(i);
      if (name.equals("style")) style(value);
      else if (ATTRIBUTES.contains(name) && harmless(value)) out.writeAttribute(name, value);
    }
  }

  private void style(String value) throws XMLStreamException {
    for (String part : value.split(";", -1)) {
      Matcher says = DECLARATION.matcher(part);
      if (!says.matches()) continue;
      String name = says.group(1);
      boolean twice = in.getAttributeValue(null, name) != null;
      if (!twice && ATTRIBUTES.contains(name) && !name.equals("id") && harmless(says.group(2)))
        out.writeAttribute(name, says.group(2).strip());
    }
  }

  /** Whether a value refers to nothing but this picture itself. */
  private static boolean harmless(String value) {
    String rest = WITHIN.matcher(value).replaceAll("");
    return !rest.toLowerCase(Locale.ROOT).contains("url(") && !rest.contains("\\");
  }
}
