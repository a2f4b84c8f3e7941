package yendrik.server.design;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import yendrik.core.rule.Condition;
import yendrik.formats.json.CoreJson;
import yendrik.server.http.Problem;

/** Between columns of JSON and core's types. */
public final class Json {
  private static final JsonMapper MAPPER = CoreJson.mapper();

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

  /** Whether two pieces of JSON say the same, whatever the order of their names. */
  public static boolean same(JSONB one, JSONB other) {
    return MAPPER.readTree(one.data()).equals(MAPPER.readTree(other.data()));
  }

  static Optional<Condition> rule(@Nullable JSONB json) {
    return Optional.ofNullable(json).map(j -> read(j, Condition.class));
  }

  /** The tree of a rule as plain maps, for sending. */
  public static Map<String, Object> map(Object value) {
    return MAPPER.convertValue(value, new TypeReference<>() {});
  }

  /** A rule that a client sent, or a Problem that names the field. */
  static Condition condition(String field, Map<String, Object> sent) {
    try {
      return MAPPER.convertValue(sent, Condition.class);
    } catch (JacksonException | IllegalArgumentException e) {
      throw Problem.field(field, "This rule cannot be read: " + reason(e));
    }
  }

  private static String reason(Throwable e) {
    Throwable deepest = e;
    while (deepest.getCause() != null) deepest = deepest.getCause();
    String message = String.valueOf(deepest.getMessage());
    return message.lines().findFirst().orElse("unknown form");
  }
}
