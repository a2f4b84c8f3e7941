package yendrik.server;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.Tuple;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Bodies and parameters as a schema asks for, in which here and there something stands that nobody
 * would send. What is known by a number is a {@link #known} text, for which the number of something
 * that is there is put in when it is sent.
 */
final class Hostile {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
  private static final int DEEPEST = 6;
  private static final String KNOWN = "known:";

  /** Of so many values of an address or of a hostile body one is hostile. */
  private static final int ONE_IN = 14;

  /** As good as never. */
  private static final int NONE_IN = 1_000_000;

  /** Names of fields that hold the number of something, by what it is the number of. */
  private static final Map<String, String> NUMBERS =
      Map.ofEntries(
          Map.entry("learners", "enrolment"),
          Map.entry("learner", "enrolment"),
          Map.entry("outcomes", "outcome"),
          Map.entry("parts", "outcome"),
          Map.entry("levels", "outcome"),
          Map.entry("scales", "scale"),
          Map.entry("steps", "step"),
          Map.entry("after", "step"),
          Map.entry("groups", "group"),
          Map.entry("people", "enrolment"),
          Map.entry("file", "file"));

  static final List<String> TEXTS =
      List.of(
          "",
          " ",
          "a\0b",
          "\u202Egnp.exe",
          "\u200B",
          "\u2028",
          "\uD800",
          "\u0663",
          "+7",
          "-1",
          "0",
          "1.5",
          "1e3",
          "9223372036854775808",
          "NaN",
          "null",
          "=1+1",
          "\n=1+1",
          "<script>x</script>",
          "%00",
          "%",
          "../../etc",
          "';--",
          "{name}",
          "{",
          "9999-12-31T23:59:59Z",
          "+1000000000-12-31T23:59:59Z",
          "-4000-01-01",
          "2026-02-30",
          "x".repeat(5000),
          "\u00E4".repeat(300));

  private final Description api;
  private final List<JsonNode> leaves;
  private final int oneIn;

  /**
   * @param leaves questions as rules ask them
   */
  Hostile(Description api, List<JsonNode> leaves) {
    this(api, leaves, ONE_IN);
  }

  private Hostile(Description api, List<JsonNode> leaves, int oneIn) {
    this.api = api;
    this.leaves = leaves;
    this.oneIn = oneIn;
  }

  static String known(String what, int n) {
    return KNOWN + what + ":" + n;
  }

  /** Looks up the number of something that is there. */
  interface Lookup {
    long number(String what, int n);
  }

  static String put(String text, Lookup lookup) {
    if (!text.startsWith(KNOWN)) return text;
    String[] parts = text.split(":");
    return "" + lookup.number(parts[1], Integer.parseInt(parts[2]));
  }

  /** The same with numbers of what is there. */
  static JsonNode put(JsonNode node, Lookup lookup) {
    if (node.isString() && node.asString().startsWith(KNOWN))
      return JSON.numberNode(Long.parseLong(put(node.asString(), lookup)));
    if (node.isArray()) {
      var list = JSON.arrayNode();
      node.forEach(part -> list.add(put(part, lookup)));
      return list;
    }
    if (!node.isObject()) return node;
    ObjectNode object = JSON.objectNode();
    node.properties().forEach(p -> object.set(put(p.getKey(), lookup), put(p.getValue(), lookup)));
    return object;
  }

  /** Numbers of something, some of them wrong. */
  static Arbitrary<String> number(String what) {
    return Arbitraries.frequencyOf(
        Tuple.of(ONE_IN, Arbitraries.integers().between(0, 40).map(n -> known(what, n))),
        Tuple.of(1, Arbitraries.of(TEXTS)));
  }

  /** A value as a schema asks for; every second has something hostile in it. */
  Arbitrary<JsonNode> of(JsonNode schema) {
    return Arbitraries.oneOf(
        of(schema, "", 0), new Hostile(api, leaves, NONE_IN).of(schema, "", 0));
  }

  private Arbitrary<JsonNode> of(JsonNode schema, String name, int depth) {
    Arbitrary<JsonNode> fine = fine(api.resolved(schema), name, depth);
    return Arbitraries.frequencyOf(
        Tuple.of(depth == 0 ? 8 * oneIn : oneIn, fine), Tuple.of(1, nonsense()));
  }

  private Arbitrary<JsonNode> fine(JsonNode schema, String name, int depth) {
    if (schema.has("const")) return Arbitraries.just(schema.path("const"));
    if (schema.has("enum"))
      return Arbitraries.of(schema.path("enum").valueStream().toList()).map(n -> n);
    if (schema.has("oneOf")) {
      List<JsonNode> variants = schema.path("oneOf").valueStream().toList();
      return Arbitraries.of(variants).flatMap(v -> of(v, name, depth));
    }
    return switch (schema.path("type").asString("")) {
      case "string" -> text(schema.path("format").asString("")).map(JSON::stringNode);
      case "integer" -> whole(schema, name);
      case "number" ->
          Arbitraries.of(0, 0.5, 1, 2, 20, 1e9, -1).map(n -> JSON.numberNode(n.doubleValue()));
      case "boolean" -> Arbitraries.of(true, false).map(JSON::booleanNode);
      case "array" -> array(schema, name, depth);
      case "object" -> object(schema, name, depth);
      default -> nonsense();
    };
  }

  private Arbitrary<String> text(String format) {
    Arbitrary<String> fine =
        switch (format) {
          case "date-time" -> Arbitraries.of("2026-11-30T08:00:00Z", "2026-12-24T17:00:00Z");
          case "date" -> Arbitraries.of("2026-11-30", "2026-12-24", "2027-02-28");
          case "time-local" -> Arbitraries.of("10:00", "18:30", "23:59:59");
          default -> Arbitraries.of("Glue", "q1", "c1", "Two patches.", "Europe/Berlin", "a");
        };
    return Arbitraries.frequencyOf(
        Tuple.of(oneIn, fine), Tuple.of(1, Arbitraries.of(TEXTS)), Tuple.of(1, odd()));
  }

  private static Arbitrary<String> odd() {
    return Arbitraries.strings().all().ofMaxLength(12);
  }

  private static Arbitrary<JsonNode> whole(JsonNode schema, String name) {
    if (schema.path("format").asString("").equals("int64"))
      return Arbitraries.integers()
          .between(0, 40)
          .map(n -> JSON.stringNode(known(NUMBERS.getOrDefault(name, name), n)));
    return Arbitraries.of(0, 1, 2, 3, 5, 60, -1, Integer.MAX_VALUE, Integer.MIN_VALUE)
        .map(JSON::numberNode);
  }

  private Arbitrary<JsonNode> array(JsonNode schema, String name, int depth) {
    if (depth >= DEEPEST) return Arbitraries.just(JSON.arrayNode());
    return of(schema.path("items"), name, depth + 1)
        .list()
        .ofMaxSize(3)
        .map(parts -> JSON.arrayNode().addAll(parts));
  }

  private Arbitrary<JsonNode> object(JsonNode schema, String name, int depth) {
    if (depth >= DEEPEST) return Arbitraries.just(JSON.objectNode());
    if (!schema.has("properties")) return map(schema, name, depth);
    Set<String> required =
        schema.path("required").valueStream().map(JsonNode::asString).collect(Collectors.toSet());
    List<Arbitrary<Map.Entry<String, JsonNode>>> fields = new ArrayList<>();
    schema
        .path("properties")
        .properties()
        .forEach(p -> {
          Arbitrary<JsonNode> value =
              p.getKey().endsWith("When") ? rule(depth) : of(p.getValue(), p.getKey(), depth + 1);
          // Nothing at all stands for a field that is left out.
          int left = required.contains(p.getKey()) ? oneIn : 2;
          fields.add(
              Arbitraries.frequencyOf(
                      Tuple.of(left, value), Tuple.of(1, Arbitraries.just(JSON.missingNode())))
                  .map(v -> Map.entry(p.getKey(), v)));
        });
    return Combinators.combine(fields)
        .as(all -> {
          ObjectNode object = JSON.objectNode();
          for (var field : all)
            if (!field.getValue().isMissingNode()) object.set(field.getKey(), field.getValue());
          return object;
        });
  }

  private Arbitrary<JsonNode> map(JsonNode schema, String name, int depth) {
    JsonNode values = schema.path("additionalProperties");
    if (values.isMissingNode() || values.isEmpty()) return rule(depth);
    Arbitrary<String> keys =
        Arbitraries.frequencyOf(
            Tuple.of(3, number(NUMBERS.getOrDefault(name, name))),
            Tuple.of(2, Arbitraries.of("q1", "q2", "a")));
    return Arbitraries.maps(keys, of(values, "", depth + 1))
        .ofMaxSize(3)
        .map(entries -> {
          ObjectNode object = JSON.objectNode();
          entries.forEach(object::set);
          return object;
        });
  }

  /** A rule as it is sent. */
  private Arbitrary<JsonNode> rule(int depth) {
    Arbitrary<JsonNode> leaf =
        Arbitraries.frequencyOf(
            Tuple.of(oneIn, Arbitraries.of(leaves).flatMap(this::leaf)), Tuple.of(1, nonsense()));
    Arbitrary<JsonNode> ask =
        Combinators.combine(leaf, text(""))
            .as((l, id) -> {
              ObjectNode node = JSON.objectNode().put("is", "ask").put("id", id);
              node.set("leaf", l);
              return node;
            });
    if (depth >= DEEPEST) return ask;
    Arbitrary<JsonNode> joint =
        Combinators.combine(
                Arbitraries.of("all", "any", "none", "at-least"),
                text(""),
                Arbitraries.lazy(() -> rule(depth + 2)).list().ofMaxSize(3))
            .as((is, id, parts) -> {
              ObjectNode node = JSON.objectNode().put("is", is).put("id", id).put("n", 1);
              node.putArray("parts").addAll(parts);
              return node;
            });
    return Arbitraries.frequencyOf(
        Tuple.of(4 * oneIn, ask), Tuple.of(2 * oneIn, joint), Tuple.of(1, nonsense()));
  }

  private Arbitrary<JsonNode> leaf(JsonNode leaf) {
    return oneIn == NONE_IN ? Arbitraries.just(leaf) : spoiled(leaf);
  }

  /** A thing with one of its fields left out or turned into nonsense, or as it is. */
  private Arbitrary<JsonNode> spoiled(JsonNode thing) {
    List<String> names = List.copyOf(thing.propertyNames());
    return Combinators.combine(
            Arbitraries.of(names), Arbitraries.integers().between(0, 5), nonsense())
        .as((name, how, other) -> {
          ObjectNode copy = ((ObjectNode) thing).deepCopy();
          if (how == 0) copy.remove(name);
          if (how == 1) copy.set(name, other);
          return copy;
        });
  }

  static Arbitrary<JsonNode> nonsense() {
    Arbitrary<JsonNode> texts =
        Arbitraries.oneOf(Arbitraries.of(TEXTS), odd()).map(JSON::stringNode);
    Arbitrary<JsonNode> numbers =
        Arbitraries.of(
            JSON.numberNode(0),
            JSON.numberNode(-1),
            JSON.numberNode(1.5),
            JSON.numberNode(Double.MAX_VALUE),
            JSON.numberNode(new BigDecimal("1e400")),
            JSON.numberNode(new BigDecimal("1e-400")),
            JSON.numberNode(BigInteger.TWO.pow(70)),
            JSON.numberNode(Long.MAX_VALUE),
            JSON.numberNode(Long.MIN_VALUE));
    Arbitrary<JsonNode> others =
        Arbitraries.of(
            JSON.nullNode(),
            JSON.booleanNode(true),
            JSON.arrayNode(),
            JSON.objectNode(),
            JSON.arrayNode().addNull(),
            JSON.objectNode().putNull("is"),
            nested(400));
    return Arbitraries.oneOf(texts, numbers, others);
  }

  private static JsonNode nested(int deep) {
    JsonNode inner = JSON.arrayNode();
    for (int n = 0; n < deep; n++) inner = JSON.arrayNode().add(inner);
    return inner;
  }
}
