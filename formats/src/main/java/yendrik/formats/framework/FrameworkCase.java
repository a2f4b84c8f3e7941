package yendrik.formats.framework;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.MissingNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.Plain;
import yendrik.core.outcome.Composition;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.formats.refused.Unreadable;

/**
 * A framework as a CFPackage in JSON, of 1EdTech's Competencies and Academic Standards Exchange
 * 1.1: a CFDocument, a CFItem for each outcome and each group of them, CFAssociations and
 * CFRubrics. An outcome is {@code isChildOf} its group or the document; one made of others has an
 * {@code isPartOf} from each part to it, and its way to combine them in {@code extensions}.
 */
public final class FrameworkCase {
  private static final String ITEM = "/CFItems/";
  private static final String DOCUMENT = "/CFDocuments/";
  private static final String RUBRIC = "/CFRubrics/";
  private static final String GROUP = "Group";
  private static final String COMBINE = "combine";
  private static final String STANDS_FOR = "standsFor";

  /** The format. */
  public static final FrameworkFormat FORMAT =
      new FrameworkFormat(
          "case",
          "CASE 1.1",
          "application/json",
          "case.json",
          in -> read(new String(in.readAllBytes(), StandardCharsets.UTF_8)),
          (framework, origin, out) ->
              out.write(
                  write(framework, origin.address() + "/ims/case/v1p1", origin.changed())
                      .getBytes(StandardCharsets.UTF_8)));

  private FrameworkCase() {}

  /**
   * The whole package.
   *
   * @param address of this installation, before the paths that the standard gives to its parts
   * @param changed when the framework was last changed
   */
  public static String write(Framework framework, String address, Instant changed) {
    var writer = new Writer(framework, address, changed);
    return CoreJson.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(writer.whole());
  }

  private static UUID derived(String... from) {
    return UUID.nameUUIDFromBytes(String.join("\n", from).getBytes(StandardCharsets.UTF_8));
  }

  private static final class Writer {
    private final Framework framework;
    private final String address;
    private final String at;
    private final String document;
    private final ObjectNode root = CoreJson.mapper().createObjectNode();
    private final Map<String, UUID> identifiers = new HashMap<>();
    private final Map<List<String>, UUID> groups = new LinkedHashMap<>();
    private final Map<String, Integer> numbers = new HashMap<>();

    Writer(Framework framework, String address, Instant changed) {
      this.framework = framework;
      this.address = address;
      at = changed.truncatedTo(ChronoUnit.SECONDS).toString();
      document = framework.identifier().toString();
      for (Framework.Item item : framework.items())
        identifiers.put(item.code(), item.identifier().orElseThrow());
    }

    ObjectNode whole() {
      root.putObject("CFDocument")
          .put("identifier", document)
          .put("uri", address + DOCUMENT + document)
          .put("title", framework.title())
          .put("creator", "Yendrik")
          .put("lastChangeDateTime", at);
      root.putArray("CFItems");
      root.putArray("CFAssociations");
      framework.items().forEach(this::item);
      ArrayNode rubrics = root.putArray("CFRubrics");
      framework.rubrics().forEach(r -> rubric(rubrics.addObject(), r));
      return root;
    }

    private void item(Framework.Item item) {
      UUID id = item.identifier().orElseThrow();
      UUID group = group(item.group().orElse(List.of()));
      ObjectNode made = item(id, item.statement(), "Outcome");
      made.put("humanCodingScheme", item.code());
      if (!item.description().isEmpty()) made.put("notes", item.description());
      item.made().ifPresent(m -> made.putObject("extensions").put(COMBINE, Ways.name(m.how())));
      child(id, group);
      item.made().stream()
          .flatMap(m -> m.parts().stream())
          .flatMap(code -> Optional.ofNullable(identifiers.get(code)).stream())
          .forEach(part -> associate("isPartOf", part, ITEM, id.toString()));
    }

    private ObjectNode item(UUID id, String statement, String type) {
      return ((ArrayNode) root.path("CFItems"))
          .addObject()
          .put("identifier", id.toString())
          .put("uri", address + ITEM + id)
          .put("fullStatement", statement)
          .put("CFItemType", type)
          .put("lastChangeDateTime", at);
    }

    /** The item of a group, made when it is first met; the document itself for no group. */
    private UUID group(List<String> path) {
      if (path.isEmpty()) return framework.identifier();
      UUID known = groups.get(path);
      if (known != null) return known;
      UUID above = group(path.subList(0, path.size() - 1));
      UUID id = derived(document, String.join("\n", path));
      groups.put(List.copyOf(path), id);
      item(id, path.getLast(), GROUP);
      child(id, above);
      return id;
    }

    private void child(UUID id, UUID above) {
      String to = above.toString();
      associate("isChildOf", id, to.equals(document) ? DOCUMENT : ITEM, to)
          .put("sequenceNumber", numbers.merge(to, 1, Integer::sum));
    }

    private ObjectNode associate(String type, UUID from, String kind, String to) {
      UUID id = derived(from + type + to);
      ObjectNode made = ((ArrayNode) root.path("CFAssociations")).addObject();
      made.put("identifier", id.toString())
          .put("uri", address + "/CFAssociations/" + id)
          .put("associationType", type)
          .put("lastChangeDateTime", at);
      node(made.putObject("originNodeURI"), ITEM, from.toString());
      node(made.putObject("destinationNodeURI"), kind, to);
      return made;
    }

    private void node(ObjectNode node, String path, String id) {
      node.put("title", id).put("identifier", id).put("uri", address + path + id);
    }

    private void rubric(ObjectNode node, Framework.Sheet sheet) {
      String id = sheet.identifier().toString();
      named(node, sheet.identifier()).put("title", sheet.title());
      ArrayNode criteria = node.putArray("CFRubricCriteria");
      int position = 1;
      for (Framework.Criterion c : sheet.criteria())
        criterion(criteria.addObject(), c, id, position++);
    }

    private ObjectNode named(ObjectNode node, UUID id) {
      return node.put("identifier", id.toString())
          .put("uri", address + RUBRIC + id)
          .put("lastChangeDateTime", at);
    }

    private void criterion(ObjectNode node, Framework.Criterion c, String rubric, int position) {
      UUID id = derived(rubric, "" + position);
      named(node, id)
          .put("category", c.name())
          .put("description", c.description())
          .put("weight", c.counts() ? 1.0 : 0.0)
          .put("position", position)
          .put("rubricId", rubric);
      c.outcome()
          .flatMap(code -> Optional.ofNullable(identifiers.get(code)))
          .ifPresent(item -> node(node.putObject("CFItemURI"), ITEM, item.toString()));
      ArrayNode levels = node.putArray("CFRubricCriterionLevels");
      int place = 1;
      for (Framework.Level level : c.levels()) {
        ObjectNode made = named(levels.addObject(), derived(id.toString(), "" + place));
        made.put("quality", level.name())
            .put("description", level.description())
            .put("score", level.points())
            .put("position", place++)
            .put("rubricCriterionId", id.toString());
        level.standsFor().ifPresent(s -> made.putObject("extensions").put(STANDS_FOR, s));
      }
    }
  }

  /**
   * Reads a package. Items without a code get one from their place: C1, C2 and so on. An item is a
   * group when it says so, or when it has items below it and no code. Points of a rubric below 0
   * count as 0, and criteria with fewer than two levels are faults.
   *
   * @throws Unreadable with every fault by item and field
   */
  public static Framework read(String text) {
    var checks = new Checks();
    JsonNode root;
    try {
      root = CoreJson.mapper().readTree(text);
    } catch (JacksonException e) {
      checks.fault(Phrase.of("file.whole"), "no-json", "why", e.getOriginalMessage());
      checks.refuse();
      throw new IllegalStateException(e);
    }
    if (!root.path("CFItems").isArray()) checks.fault(Phrase.of("file.whole"), "no-items");
    checks.refuse();
    return new Reader(root, checks).whole();
  }

  private static final class Reader {
    private final JsonNode root;
    private final Checks checks;
    private final Map<UUID, JsonNode> nodes = new HashMap<>();
    private final Map<UUID, UUID> above = new HashMap<>();
    private final Set<UUID> groups = new HashSet<>();
    private final Map<UUID, List<UUID>> parts = new HashMap<>();
    private final Map<UUID, String> codes = new HashMap<>();

    Reader(JsonNode root, Checks checks) {
      this.root = root;
      this.checks = checks;
      for (JsonNode item : root.path("CFItems"))
        id(item, "identifier").ifPresent(id -> nodes.put(id, item));
      for (JsonNode a : root.path("CFAssociations")) associate(a);
      Set<UUID> heads = new HashSet<>(above.values());
      nodes.forEach((id, node) -> {
        boolean says = text(node, "CFItemType").equalsIgnoreCase(GROUP);
        boolean heading = heads.contains(id) && text(node, "humanCodingScheme").isBlank();
        if (says || heading) groups.add(id);
      });
    }

    private void associate(JsonNode a) {
      Optional<UUID> from = id(a.path("originNodeURI"), "identifier");
      Optional<UUID> to = id(a.path("destinationNodeURI"), "identifier");
      if (from.isEmpty() || to.isEmpty() || !nodes.containsKey(to.get())) return;
      switch (text(a, "associationType")) {
        case "isChildOf" -> above.putIfAbsent(from.get(), to.get());
        case "isPartOf" -> parts.computeIfAbsent(to.get(), _ -> new ArrayList<>()).add(from.get());
        default -> {
          // Other kinds say nothing that an outcome has.
        }
      }
    }

    Framework whole() {
      List<Framework.Item> items = new ArrayList<>();
      int n = 0;
      for (JsonNode node : root.path("CFItems")) {
        String where = "CFItems[" + n++ + "]";
        Optional<UUID> id =
            checks.identifier(Phrase.text(where), "identifier", text(node, "identifier"));
        if (id.isEmpty() && text(node, "identifier").isBlank())
          checks.fault(Phrase.text(where), "missing", "field", "identifier");
        if (id.isPresent() && groups.contains(id.get())) continue;
        items.add(item(node, where, id, n));
      }
      List<Framework.Item> made = items.stream().map(this::withParts).toList();
      List<Framework.Sheet> rubrics = rubrics();
      JsonNode document = root.path("CFDocument");
      var identifier =
          checks.identifier(Phrase.text("CFDocument"), "identifier", text(document, "identifier"));
      checks.refuse();
      return new Framework(
          identifier.orElse(new UUID(0, 0)), Plain.cleaned(text(document, "title")), made, rubrics);
    }

    private Framework.Item item(JsonNode node, String where, Optional<UUID> id, int n) {
      String given = text(node, "humanCodingScheme");
      String code =
          checks.code(Phrase.text(where), "humanCodingScheme", given.isBlank() ? "C" + n : given);
      id.ifPresent(i -> codes.put(i, code));
      return new Framework.Item(
          id,
          code,
          checks.statement(Phrase.text(where), "fullStatement", text(node, "fullStatement")),
          checks.text(Phrase.text(where), "notes", text(node, "notes")),
          groups.isEmpty() ? Optional.empty() : id.map(i -> path(where, i)),
          Optional.empty());
    }

    private JsonNode node(UUID id) {
      return Objects.requireNonNullElseGet(nodes.get(id), MissingNode::getInstance);
    }

    private List<String> path(String where, UUID id) {
      List<String> path = new ArrayList<>();
      Set<UUID> met = new HashSet<>();
      UUID at = above.get(id);
      while (at != null) {
        if (!met.add(at)) {
          checks.fault(Phrase.text(where), "circle", "field", "isChildOf");
          break;
        }
        if (groups.contains(at)) path.addFirst(text(node(at), "fullStatement"));
        at = above.get(at);
      }
      return Checks.group(path);
    }

    /** Parts are known by their codes only when all items have been read. */
    private Framework.Item withParts(Framework.Item item) {
      List<String> of =
          item.identifier().map(id -> parts.getOrDefault(id, List.of())).orElse(List.of()).stream()
              .flatMap(part -> Optional.ofNullable(codes.get(part)).stream())
              .toList();
      if (of.isEmpty()) return item;
      String way = text(node(item.identifier().orElseThrow()).path("extensions"), COMBINE);
      Composition.How how = Ways.of(way).orElse(new Composition.All());
      return new Framework.Item(
          item.identifier(),
          item.code(),
          item.statement(),
          item.description(),
          item.group(),
          Optional.of(new Framework.Made(how, of)));
    }

    private List<Framework.Sheet> rubrics() {
      List<Framework.Sheet> all = new ArrayList<>();
      int n = 0;
      for (JsonNode node : root.path("CFRubrics")) {
        String where = "CFRubrics[" + n++ + "]";
        Optional<UUID> id =
            checks.identifier(Phrase.text(where), "identifier", text(node, "identifier"));
        List<Framework.Criterion> criteria = new ArrayList<>();
        int c = 0;
        for (JsonNode one : node.path("CFRubricCriteria"))
          criteria.add(criterion(one, where + ".CFRubricCriteria[" + c++ + "]"));
        all.add(
            new Framework.Sheet(
                id.orElseGet(UUID::randomUUID),
                checks.statement(Phrase.text(where), "title", text(node, "title")),
                criteria));
      }
      return all;
    }

    private Framework.Criterion criterion(JsonNode node, String where) {
      String category = text(node, "category");
      String description =
          checks.text(Phrase.text(where), "description", text(node, "description"));
      List<Framework.Level> levels = new ArrayList<>();
      int l = 0;
      for (JsonNode level : node.path("CFRubricCriterionLevels"))
        levels.add(level(level, where + ".CFRubricCriterionLevels[" + l++ + "]"));
      if (levels.size() < 2)
        checks.fault(Phrase.text(where), "fewer-than-two", "field", "CFRubricCriterionLevels");
      return new Framework.Criterion(
          checks.statement(
              Phrase.text(where), "category", category.isBlank() ? description : category),
          category.isBlank() ? "" : description,
          node.path("weight").asDouble(1) > 0,
          id(node.path("CFItemURI"), "identifier").map(codes::get),
          levels);
    }

    private Framework.Level level(JsonNode node, String where) {
      String quality = text(node, "quality");
      String description =
          checks.text(Phrase.text(where), "description", text(node, "description"));
      String standsFor = text(node.path("extensions"), STANDS_FOR);
      return new Framework.Level(
          checks.statement(
              Phrase.text(where), "quality", quality.isBlank() ? description : quality),
          quality.isBlank() ? "" : description,
          Math.max(0, node.path("score").asDouble(0)),
          standsFor.isBlank() ? Optional.empty() : Optional.of(standsFor));
    }
  }

  private static Optional<UUID> id(JsonNode node, String field) {
    try {
      return Optional.of(UUID.fromString(text(node, field)));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  private static String text(JsonNode node, String field) {
    return node.path(field).isString() ? node.path(field).asString() : "";
  }
}
