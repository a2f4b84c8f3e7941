package yendrik.schema;

import java.util.List;
import org.jooq.Converter;
import org.jooq.JSON;
import org.jooq.JSONB;
import tools.jackson.databind.json.JsonMapper;
import yendrik.formats.json.CoreJson;

/** Columns of JSON as the types of core that they hold. */
public final class Stored {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  private Stored() {}

  /** A column that holds one of a type. */
  public static <T> Converter<JSONB, T> of(Class<T> type) {
    return Converter.ofNullable(
        JSONB.class, type, json -> MAPPER.readValue(json.data(), type), Stored::json);
  }

  /** A column that holds one of a type as plain text, never looked into by the database. */
  public static <T> Converter<JSON, T> whole(Class<T> type) {
    return Converter.ofNullable(
        JSON.class,
        type,
        json -> MAPPER.readValue(json.data(), type),
        value -> JSON.valueOf(MAPPER.writeValueAsString(value)));
  }

  /** A column that holds a list. */
  @SuppressWarnings("unchecked") // a class has no elements
  public static <E> Converter<JSONB, List<E>> list(Class<E> type) {
    var list = MAPPER.getTypeFactory().constructCollectionType(List.class, type);
    return Converter.ofNullable(
        JSONB.class,
        (Class<List<E>>) (Class<?>) List.class,
        json -> MAPPER.readValue(json.data(), list),
        // each says what variant it is
        all -> JSONB.valueOf(MAPPER.writerFor(list).writeValueAsString(all)));
  }

  /** A column that holds one of a few words. */
  public static <E extends Enum<E>> Converter<String, E> word(Class<E> type) {
    return Converter.ofNullable(
        String.class, type, name -> CoreJson.word(type, name), CoreJson::name);
  }

  private static JSONB json(Object value) {
    return JSONB.valueOf(MAPPER.writeValueAsString(value));
  }
}
