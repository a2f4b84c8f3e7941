package yendrik.server;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.formats.json.CoreJson;

/** The API as it is described to clients, to hold the server to it. */
final class Description {
  private static final String JSON = "application/json";
  private static final String PROBLEM = "application/problem+json";
  private static final SchemaRegistry SCHEMAS =
      SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);

  private final JsonNode whole = CoreJson.mapper().readTree(Path.of("../web/src/api/openapi.json"));
  private final Map<String, Schema> compiled = new ConcurrentHashMap<>();

  /**
   * Something that can be asked of the server.
   *
   * @param path with its parameters in braces
   * @param parameters of the path, of the query and in headers
   * @param body what it takes as JSON
   */
  record Operation(
      String method, String path, List<Parameter> parameters, Optional<JsonNode> body) {
    @Override
    public String toString() {
      return method + " " + path;
    }
  }

  /**
   * @param in {@code path}, {@code query} or {@code header}
   */
  record Parameter(String name, String in, boolean required, JsonNode schema) {}

  List<Operation> operations() {
    List<Operation> all = new ArrayList<>();
    whole
        .path("paths")
        .properties()
        .forEach(path ->
            path.getValue()
                .properties()
                .forEach(one ->
                    all.add(
                        operation(
                            one.getKey().toUpperCase(Locale.ROOT),
                            path.getKey(),
                            one.getValue()))));
    return all;
  }

  private static Operation operation(String method, String path, JsonNode described) {
    List<Parameter> parameters =
        described
            .path("parameters")
            .valueStream()
            .map(p ->
                new Parameter(
                    p.path("name").asString(),
                    p.path("in").asString(),
                    p.path("required").asBoolean(),
                    p.path("schema")))
            .toList();
    JsonNode body = described.path("requestBody").path("content").path(JSON).path("schema");
    return new Operation(
        method, path, parameters, Optional.of(body).filter(b -> !b.isMissingNode()));
  }

  /** The schema that a reference names, or what is given if it is none. */
  JsonNode resolved(JsonNode schema) {
    String reference = schema.path("$ref").asString();
    return reference.isEmpty() ? schema : whole.at(reference.substring(1));
  }

  JsonNode schema(String name) {
    return whole.path("components").path("schemas").path(name);
  }

  /**
   * What is wrong with an answer: it has a status that was not promised, or a body that is not what
   * was described; a refusal must be a Problem Detail that says something.
   */
  List<String> faults(Operation of, int status, String mediaType, byte[] body) {
    if (status >= 400) return refusal(of, status, mediaType, body);
    JsonNode promised =
        whole
            .path("paths")
            .path(of.path())
            .path(of.method().toLowerCase(Locale.ROOT))
            .path("responses")
            .path("" + status);
    if (promised.isMissingNode()) return List.of("nobody promised the status " + status);
    JsonNode schema = promised.path("content").path(JSON).path("schema");
    if (schema.isMissingNode()) return List.of();
    return against(of + " " + status, schema, body);
  }

  private List<String> refusal(Operation of, int status, String mediaType, byte[] body) {
    if (of.method().equals("HEAD")) return List.of();
    if (!mediaType.startsWith(PROBLEM)) return List.of(status + " as " + mediaType);
    List<String> faults = new ArrayList<>(against("problem", schema("Problem"), body));
    if (faults.isEmpty()) {
      JsonNode problem = CoreJson.mapper().readTree(body);
      if (problem.path("status").asInt() != status) faults.add("another status: " + problem);
    }
    return faults;
  }

  private List<String> against(String key, JsonNode schema, byte[] body) {
    Schema compiledOnce = compiled.computeIfAbsent(key, _ -> SCHEMAS.getSchema(alone(schema)));
    try {
      return compiledOnce.validate(CoreJson.mapper().readTree(body)).stream()
          .map(Object::toString)
          .toList();
    } catch (JacksonException e) {
      return List.of("no JSON: " + e.getMessage());
    }
  }

  /** A schema with all that it may refer to. */
  private JsonNode alone(JsonNode schema) {
    ObjectNode alone = ((ObjectNode) schema).deepCopy();
    alone.set("components", whole.path("components"));
    return alone;
  }
}
