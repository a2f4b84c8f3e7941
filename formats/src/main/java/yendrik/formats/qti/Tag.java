package yendrik.formats.qti;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;
import org.xml.sax.SAXParseException;
import yendrik.formats.refused.Unreadable;

/**
 * An element of XML, by the names of version 2 of the standard: {@code qti-simple-choice} of
 * version 3 is {@code simpleChoice} here, and its {@code match-max} {@code matchMax}.
 */
record Tag(Element element) {
  private static final String PREFIX = "qti-";

  /**
   * Reads XML without ever looking at anything beside it.
   *
   * @throws Unreadable if it is broken or declares a document type
   */
  static Tag read(InputStream xml, String path) {
    try {
      DocumentBuilder builder = factory().newDocumentBuilder();
      builder.setErrorHandler(null);
      return new Tag(builder.parse(xml).getDocumentElement());
    } catch (SAXParseException e) {
      throw Pack.refused("broken-xml", "name", path, "line", e.getLineNumber());
    } catch (SAXException | IOException e) {
      throw Pack.refused("broken-xml", "name", path, "line", 1);
    } catch (ParserConfigurationException e) {
      throw new IllegalStateException(e);
    }
  }

  private static DocumentBuilderFactory factory() throws ParserConfigurationException {
    DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
    factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
    factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
    factory.setXIncludeAware(false);
    factory.setExpandEntityReferences(false);
    return factory;
  }

  /** What it is called, without the prefix of version 3. */
  String name() {
    String local = element.getLocalName();
    return local.startsWith(PREFIX) ? camel(local.substring(PREFIX.length())) : local;
  }

  /** Whether it stands for something of the standard, and not for how words look. */
  boolean is(String name) {
    return name().equals(name);
  }

  private static String camel(String kebab) {
    StringBuilder camel = new StringBuilder();
    for (int n = 0; n < kebab.length(); n++) {
      boolean dash = kebab.charAt(n) == '-' && n + 1 < kebab.length();
      camel.append(dash ? Character.toUpperCase(kebab.charAt(++n)) : kebab.charAt(n));
    }
    return camel.toString();
  }

  private static String kebab(String camel) {
    return camel.replaceAll("([A-Z])", "-$1").toLowerCase(Locale.ROOT);
  }

  /** What an attribute says, whichever version it is written in. */
  Optional<String> attr(String name) {
    return Stream.of(name, kebab(name))
        .filter(element::hasAttribute)
        .map(element::getAttribute)
        .findFirst();
  }

  Optional<Double> number(String name) {
    return attr(name).flatMap(Tag::toNumber);
  }

  /** A number as it is written in XML. */
  static Optional<Double> toNumber(String text) {
    try {
      return Optional.of(Double.parseDouble(text.strip())).filter(Double::isFinite);
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  /** The elements in it. */
  List<Tag> children() {
    return nodes(element.getChildNodes()).flatMap(Tag::tag).toList();
  }

  List<Tag> children(String name) {
    return children().stream().filter(child -> child.is(name)).toList();
  }

  Optional<Tag> child(String name) {
    return children(name).stream().findFirst();
  }

  /** It and all elements in it, however deep, in their order. */
  List<Tag> all() {
    List<Tag> all = new ArrayList<>();
    all.add(this);
    children().forEach(child -> all.addAll(child.all()));
    return all;
  }

  List<Tag> all(String name) {
    return all().stream().filter(tag -> tag.is(name)).toList();
  }

  Optional<Tag> first(String name) {
    return all(name).stream().findFirst();
  }

  /** The words in it. */
  String text() {
    return element.getTextContent().strip();
  }

  static Stream<Node> nodes(NodeList list) {
    return IntStream.range(0, list.getLength()).mapToObj(list::item);
  }

  static Stream<Tag> tag(Node node) {
    return node instanceof Element element ? Stream.of(new Tag(element)) : Stream.empty();
  }
}
