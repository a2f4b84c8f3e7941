package yendrik.formats.framework;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.json.CoreJson;

/**
 * A framework as a CFPackage in JSON, of 1EdTech's Competencies and Academic Standards Exchange
 * 1.1: a CFDocument, a CFItem for each outcome and CFAssociations. An outcome made of others has an
 * {@code isPartOf} from each part to it; every item an {@code isChildOf} to the document.
 */
public final class FrameworkCase {
  private static final String ITEM = "/CFItems/";
  private static final String DOCUMENT = "/CFDocuments/";

  private FrameworkCase() {}

  /**
   * The whole package.
   *
   * @param address of this installation, before the paths that the standard gives to its parts
   * @param changed when the framework was last changed
   */
  public static String write(Framework framework, String address, Instant changed) {
    ObjectNode root = CoreJson.mapper().createObjectNode();
    String at = changed.truncatedTo(ChronoUnit.SECONDS).toString();
    String document = framework.identifier().toString();
    root.putObject("CFDocument")
        .put("identifier", document)
        .put("uri", address + DOCUMENT + document)
        .put("title", framework.title())
        .put("creator", "Yendrik")
        .put("lastChangeDateTime", at);
    ArrayNode items = root.putArray("CFItems");
    ArrayNode associations = root.putArray("CFAssociations");
    int number = 1;
    for (Framework.Item item : framework.items()) {
      UUID id = item.identifier().orElseThrow();
      ObjectNode made = items.addObject();
      made.put("identifier", id.toString())
          .put("uri", address + ITEM + id)
          .put("fullStatement", item.statement())
          .put("humanCodingScheme", item.code())
          .put("lastChangeDateTime", at);
      if (!item.description().isEmpty()) made.put("notes", item.description());
      associate(associations, address, at, "isChildOf", id, DOCUMENT, document)
          .put("sequenceNumber", number++);
      for (UUID part : item.parts())
        associate(associations, address, at, "isPartOf", part, ITEM, id.toString());
    }
    return CoreJson.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(root);
  }

  private static ObjectNode associate(
      ArrayNode all, String address, String at, String type, UUID from, String kind, String to) {
    UUID id =
        UUID.nameUUIDFromBytes(
            (from + type + to).getBytes(java.nio.charset.StandardCharsets.UTF_8));
    ObjectNode made = all.addObject();
    made.put("identifier", id.toString())
        .put("uri", address + "/CFAssociations/" + id)
        .put("associationType", type)
        .put("lastChangeDateTime", at);
    node(made.putObject("originNodeURI"), address + ITEM, from.toString());
    node(made.putObject("destinationNodeURI"), address + kind, to);
    return made;
  }

  private static void node(ObjectNode node, String path, String id) {
    node.put("title", id).put("identifier", id).put("uri", path + id);
  }

  /**
   * Reads a package. Items without a code get one from their place: C1, C2 and so on.
   *
   * @throws Unreadable with every fault by item and field
   */
  public static Framework read(String text) {
    var checks = new Checks();
    JsonNode root;
    try {
      root = CoreJson.mapper().readTree(text);
    } catch (JacksonException e) {
      checks.fault("The file", "it is no JSON: " + e.getOriginalMessage());
      checks.refuse();
      throw new IllegalStateException(e);
    }
    JsonNode document = root.path("CFDocument");
    if (!root.path("CFItems").isArray())
      checks.fault("The file", "CFItems is missing; is it a CFPackage?");
    checks.refuse();
    Map<UUID, List<UUID>> parts = parts(root.path("CFAssociations"));
    List<Framework.Item> items = new ArrayList<>();
    int n = 0;
    for (JsonNode item : root.path("CFItems")) {
      String where = "CFItems[" + n++ + "]";
      String code = text(item, "humanCodingScheme");
      var id = checks.identifier(where, "identifier", text(item, "identifier"));
      if (id.isEmpty() && text(item, "identifier").isBlank())
        checks.fault(where, "identifier is missing.");
      items.add(
          new Framework.Item(
              id,
              checks.code(where, "humanCodingScheme", code.isBlank() ? "C" + n : code),
              checks.statement(where, "fullStatement", text(item, "fullStatement")),
              text(item, "notes"),
              id.map(i -> parts.getOrDefault(i, List.of())).orElse(List.of())));
    }
    var identifier = checks.identifier("CFDocument", "identifier", text(document, "identifier"));
    checks.refuse();
    return new Framework(identifier.orElse(new UUID(0, 0)), text(document, "title"), items);
  }

  private static Map<UUID, List<UUID>> parts(JsonNode associations) {
    Map<UUID, List<UUID>> parts = new HashMap<>();
    for (JsonNode a : associations) {
      if (!text(a, "associationType").equals("isPartOf")) continue;
      try {
        UUID part = UUID.fromString(text(a.path("originNodeURI"), "identifier"));
        UUID whole = UUID.fromString(text(a.path("destinationNodeURI"), "identifier"));
        parts.computeIfAbsent(whole, _ -> new ArrayList<>()).add(part);
      } catch (IllegalArgumentException e) {
        // An association between things that are no items of ours says nothing about them.
      }
    }
    return parts;
  }

  private static String text(JsonNode node, String field) {
    return node.path(field).isString() ? node.path(field).asString() : "";
  }
}
