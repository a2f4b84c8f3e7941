package yendrik.server.design;

import com.fasterxml.jackson.annotation.Nulls;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yendrik.core.Refusal;
import yendrik.core.rehearse.Line;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.http.Problem;

/** Between columns of JSON and core's types. */
public final class Json {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  /** Refuses what lacks a part: a node without id, a question without its step. */
  private static final JsonMapper COMPLETE =
      MAPPER
          .rebuild()
          .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
          .changeDefaultNullHandling(n -> n.withContentNulls(Nulls.FAIL))
          .build();

  private Json() {}

  public static JSONB of(Object value) {
    return JSONB.valueOf(MAPPER.writeValueAsString(value));
  }

  public static <T> T read(JSONB json, Class<T> type) {
    return MAPPER.readValue(json.data(), type);
  }

  public static <T> List<T> list(JSONB json, Class<T> type) {
    return MAPPER.readValue(
        json.data(), MAPPER.getTypeFactory().constructCollectionType(List.class, type));
  }

  /** A place in two pieces of JSON where they differ, as the names that lead to it. */
  public record Differing(String path, String one, String other) {}

  /** The deepest places where two pieces of JSON differ, whatever the order of their names. */
  public static List<Differing> differing(String name, JSONB one, JSONB other) {
    List<Differing> all = new ArrayList<>();
    differing(all, name, MAPPER.readTree(one.data()), MAPPER.readTree(other.data()));
    return all;
  }

  private static void differing(List<Differing> all, String path, JsonNode one, JsonNode other) {
    if (one.equals(other)) return;
    if (!one.isObject() || !other.isObject()) {
      all.add(new Differing(path, said(one), said(other)));
      return;
    }
    Set<String> names = new TreeSet<>(one.propertyNames());
    names.addAll(other.propertyNames());
    for (String name : names) differing(all, path + "." + name, one.path(name), other.path(name));
  }

  private static String said(JsonNode node) {
    return node.isMissingNode() ? "nothing" : node.toString();
  }

  /** A rule that a client sent, as it is kept, or a Problem that names the field. */
  static @Nullable Condition column(String field, Optional<Map<String, Object>> sent) {
    return sent.map(s -> condition(field, s)).orElse(null);
  }

  /** The tree of a rule as plain maps, for sending. */
  public static Map<String, Object> map(Object value) {
    return MAPPER.convertValue(value, new TypeReference<>() {});
  }

  /** A line of a rehearsal that a client sent, or a Problem that names the field. */
  public static Line line(String field, Map<String, Object> sent) {
    try {
      return COMPLETE.convertValue(sent, Line.class);
    } catch (JacksonException | IllegalArgumentException | Refusal e) {
      throw Problem.field(field, "line-unreadable", "reason", reason(e));
    }
  }

  /** A question that a client sent as text, or a Problem that names the field. */
  static Leaf leaf(String field, String sent) {
    try {
      return Optional.ofNullable(COMPLETE.readValue(sent, Leaf.class))
          .orElseThrow(() -> new IllegalArgumentException(sent));
    } catch (JacksonException | IllegalArgumentException | Refusal e) {
      throw Problem.field(field, "rule-unreadable", "reason", reason(e));
    }
  }

  /** A rule that a client sent, or a Problem that names the field. */
  static Condition condition(String field, Map<String, Object> sent) {
    try {
      return COMPLETE.convertValue(sent, Condition.class);
    } catch (JacksonException | IllegalArgumentException | Refusal e) {
      throw Problem.field(field, "rule-unreadable", "reason", reason(e));
    }
  }

  private static Phrase reason(Exception e) {
    if (e instanceof JacksonException at && !at.getPath().isEmpty()) {
      var last = at.getPath().getLast();
      return last.getPropertyName() == null
          ? Phrase.of("rule-unreadable.a-part")
          : Phrase.of("rule-unreadable.part", "part", last.getPropertyName());
    }
    Throwable deepest = e;
    while (deepest.getCause() != null) deepest = deepest.getCause();
    return deepest instanceof Refusal refusal
        ? refusal.reason()
        : Phrase.text(String.valueOf(deepest.getMessage()).lines().findFirst().orElse(""));
  }
}
