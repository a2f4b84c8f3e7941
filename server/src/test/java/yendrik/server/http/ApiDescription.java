package yendrik.server.http;

import static java.util.Objects.requireNonNull;

import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.web.csrf.CsrfToken;
import yendrik.core.id.Id;

/**
 * Describes the API so that the web client's types can be made from it: what is not optional is
 * required, and what the server puts in by itself is no parameter.
 */
@Configuration
@ConditionalOnProperty("springdoc.api-docs.enabled")
class ApiDescription {
  static {
    SpringDocUtils.getConfig().addRequestWrapperToIgnore(CsrfToken.class, Injected.class);
    for (Class<?> id : Id.class.getPermittedSubclasses())
      SpringDocUtils.getConfig().replaceWithClass(id, Long.class);
  }

  /** One for all, since what describes types is kept for the whole machine. */
  private static final SchemaNames NAMES = new SchemaNames();

  @Bean
  ModelResolver modelResolver(ObjectMapperProvider mapper) {
    return new ModelResolver(mapper.jsonMapper(), NAMES).openapi31(true);
  }

  @Bean
  OpenApiCustomizer exact() {
    return api -> {
      api.info(new Info().title("Yendrik").version("1"));
      api.servers(null);
      add(api.getComponents(), Refusal.class);
      byFields(api.getComponents());
      variants(api.getComponents());
      api.getComponents()
          .getSchemas()
          .forEach((name, schema) -> NAMES.type(name).ifPresent(type -> require(type, schema)));
      // a stream, not JSON
      api.getPaths().remove("/api/courses/{course}/events");
      api.getComponents().getSchemas().remove("SseEmitter");
      NAMES.check();
    };
  }

  private static void byFields(Components components) {
    for (Class<?> type : Variants.ofAny(ByFields.class)) add(components, type);
  }

  private static void add(Components components, Class<?> type) {
    ModelConverters.getInstance(/* openapi31= */ true)
        .readAllAsResolvedSchema(type)
        .referencedSchemas
        .forEach(components.getSchemas()::putIfAbsent);
  }

  /**
   * What is answered when something went wrong (RFC 9457).
   *
   * @param code which sentence {@code detail} is, with its {@code arguments}
   * @param fields what is wrong with each field
   * @param findings several things that are wrong
   * @param missing what would open what is closed
   * @param changed names of what somebody else has changed
   * @param current what somebody else has made of it
   * @param seconds after which it can be tried again
   */
  @io.swagger.v3.oas.annotations.media.Schema(name = "Problem")
  record Refusal(
      String title,
      int status,
      String detail,
      String code,
      Optional<Map<String, Object>> arguments,
      Optional<Map<String, String>> fields,
      Optional<List<String>> findings,
      Optional<List<Object>> missing,
      Optional<List<String>> changed,
      Optional<Object> current,
      Optional<Long> seconds) {}

  /** A type with variants is one of them, as its {@code is} says; a variant may hold others. */
  private static void variants(Components components) {
    Set<String> done = new HashSet<>();
    while (done.size() < components.getSchemas().size())
      for (String name : List.copyOf(components.getSchemas().keySet()))
        if (done.add(name)) variants(components, name);
  }

  private static void variants(Components components, String name) {
    Class<?> type = NAMES.type(name).orElse(Object.class);
    if (!type.isInterface() || !Variant.class.isAssignableFrom(type)) return;
    Schema<?> oneOf = new Schema<>();
    Variants.of(type)
        .forEach((is, variant) -> {
          add(components, variant);
          String called = NAMES.of(variant);
          Schema<?> own = requireNonNull(components.getSchemas().get(called));
          own.addProperty("is", new JsonSchema().typesItem("string")._const(is));
          oneOf.addOneOfItem(new Schema<>().$ref(called));
        });
    components.getSchemas().put(name, oneOf);
  }

  private static void require(Class<?> type, Schema<?> schema) {
    if (!type.isRecord() || schema.getProperties() == null) return;
    List<String> required = new ArrayList<>();
    for (RecordComponent component : type.getRecordComponents())
      if (component.getType() != Optional.class) required.add(component.getName());
    if (Variant.class.isAssignableFrom(type)) required.add("is");
    schema.setRequired(required);
  }
}
