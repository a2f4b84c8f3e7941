package yendrik.formats.qti;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/** XML as it is written: elements with their attributes, words, and formatted text. */
final class XmlOut {
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final XMLStreamWriter xml;

  /** Something that writes what is in an element. */
  interface Inside {
    void write() throws XMLStreamException;
  }

  /** What becomes of a picture in formatted text. */
  interface Pictures {
    void write(long file, String described) throws XMLStreamException;
  }

  XmlOut() {
    try {
      xml =
          XMLOutputFactory.newDefaultFactory()
              .createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
      xml.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
  }

  byte[] written() {
    try {
      xml.writeEndDocument();
      xml.close();
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
    return out.toByteArray();
  }

  /**
   * An element.
   *
   * @param with names and values of attributes, in turn
   */
  void tag(String name, Inside inside, String... with) {
    try {
      xml.writeStartElement(name);
      for (int n = 0; n < with.length; n += 2) xml.writeAttribute(with[n], clean(with[n + 1]));
      inside.write();
      xml.writeEndElement();
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
  }

  void tag(String name, String words, String... with) {
    tag(name, () -> xml.writeCharacters(clean(words)), with);
  }

  void words(String words) {
    try {
      xml.writeCharacters(clean(words));
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
  }

  /** What XML cannot say is left out. */
  private static String clean(String words) {
    return words.replaceAll(
        "[^\\x09\\x0A\\x0D\\x20-\\uD7FF\\uE000-\\uFFFD\\x{10000}-\\x{10FFFF}]", "");
  }

  /** Formatted text as XHTML. */
  void html(String html, Pictures pictures) {
    for (Node node : Jsoup.parseBodyFragment(html).body().childNodes()) html(node, pictures);
  }

  private void html(Node node, Pictures pictures) {
    if (node instanceof TextNode text) words(text.getWholeText());
    if (!(node instanceof Element element)) return;
    try {
      if (element.normalName().equals("img") && element.hasAttr("data-file"))
        pictures.write(Long.parseLong(element.attr("data-file")), element.attr("alt"));
      else if (element.hasAttr("data-formula"))
        tag("span", element.attr("data-formula"), "data-formula", element.attr("data-formula"));
      else if (element.hasAttr("data-file"))
        words(element.hasAttr("aria-label") ? element.attr("aria-label") : element.text());
      else inside(element, pictures);
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
  }

  private void inside(Element element, Pictures pictures) {
    String[] with =
        element.hasAttr("href") ? new String[] {"href", element.attr("href")} : new String[0];
    tag(
        element.normalName(),
        () -> element.childNodes().forEach(child -> html(child, pictures)),
        with);
  }
}
