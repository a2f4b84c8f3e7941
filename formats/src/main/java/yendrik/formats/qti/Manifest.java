package yendrik.formats.qti;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import yendrik.core.quiz.Difficulty;

/** The manifest of a package, of IMS Content Packaging, with LOM for each of its items. */
final class Manifest {
  private Manifest() {}

  /**
   * An item.
   *
   * @param pictures their paths beside the item
   */
  record Resource(
      String id, List<String> tags, Optional<Difficulty> difficulty, Set<String> pictures) {}

  static byte[] of(List<Resource> resources) {
    var xml = new XmlOut();
    xml.tag(
        "manifest",
        () -> {
          xml.tag(
              "metadata",
              () -> {
                xml.tag("schema", "QTI Package");
                xml.tag("schemaversion", "3.0.0");
              });
          xml.tag("organizations", "");
          xml.tag("resources", () -> resources.forEach(resource -> of(xml, resource)));
        },
        "xmlns",
        "http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1",
        "identifier",
        "questions");
    return xml.written();
  }

  private static void of(XmlOut xml, Resource resource) {
    String path = "items/" + resource.id() + ".xml";
    xml.tag(
        "resource",
        () -> {
          if (!resource.tags().isEmpty() || resource.difficulty().isPresent())
            xml.tag("metadata", () -> lom(xml, resource));
          xml.tag("file", "", "href", path);
          for (String picture : resource.pictures())
            xml.tag("file", "", "href", "items/" + picture);
        },
        "identifier",
        resource.id(),
        "type",
        "imsqti_item_xmlv3p0",
        "href",
        path);
  }

  private static void lom(XmlOut xml, Resource resource) {
    xml.tag(
        "lom",
        () -> {
          if (!resource.tags().isEmpty())
            xml.tag(
                "general",
                () -> {
                  for (String tag : resource.tags())
                    xml.tag("keyword", () -> xml.tag("string", tag));
                });
          resource
              .difficulty()
              .ifPresent(d ->
                  xml.tag(
                      "educational",
                      () ->
                          xml.tag(
                              "difficulty",
                              () -> {
                                xml.tag("source", "LOMv1.0");
                                xml.tag("value", said(d));
                              })));
        },
        "xmlns",
        "http://ltsc.ieee.org/xsd/LOM");
  }

  private static String said(Difficulty difficulty) {
    return switch (difficulty) {
      case EASY -> "easy";
      case MIDDLING -> "medium";
      case HARD -> "difficult";
    };
  }
}
