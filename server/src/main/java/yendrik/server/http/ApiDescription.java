package yendrik.server.http;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.web.csrf.CsrfToken;
import yendrik.core.id.OutcomeId;

/**
 * Describes the API so that the web client's types can be made from it: what is not optional is
 * required, and what the server puts in by itself is no parameter.
 */
@Configuration
class ApiDescription {
  static {
    SpringDocUtils.getConfig().addRequestWrapperToIgnore(CsrfToken.class);
    SpringDocUtils.getConfig().replaceWithClass(OutcomeId.class, Long.class);
  }

  @Bean
  OpenApiCustomizer exact() {
    return api -> {
      api.info(new Info().title("Yendrik").version("1"));
      api.servers(null);
      api.getComponents().getSchemas().forEach(ApiDescription::require);
      api.getPaths().remove("/api/courses/{course}/events"); // a stream, not JSON
      hideInjected(api);
    };
  }

  private static void require(String name, Schema<?> schema) {
    Class<?> type = type(name);
    if (type == null || !type.isRecord() || schema.getProperties() == null) return;
    List<String> required = new ArrayList<>();
    for (RecordComponent component : type.getRecordComponents())
      if (component.getType() != Optional.class) required.add(component.getName());
    schema.setRequired(required);
  }

  private static @org.jspecify.annotations.Nullable Class<?> type(String name) {
    String binary = name;
    while (true) {
      try {
        return Class.forName(binary);
      } catch (ClassNotFoundException e) {
        int dot = binary.lastIndexOf('.');
        if (dot < 0) return null;
        binary = binary.substring(0, dot) + "$" + binary.substring(dot + 1);
      }
    }
  }

  private static void hideInjected(OpenAPI api) {
    Map<String, Schema> kept = new LinkedHashMap<>(api.getComponents().getSchemas());
    kept.keySet()
        .removeIf(n ->
            n.endsWith(".Seat")
                || n.endsWith(".SignedIn")
                || n.endsWith("SseEmitter")
                || n.endsWith(".CourseId"));
    api.getComponents().setSchemas(kept);
    api.getPaths()
        .values()
        .forEach(path ->
            path.readOperations()
                .forEach(operation -> {
                  if (operation.getParameters() != null)
                    operation
                        .getParameters()
                        .removeIf(p -> p.getName().equals("seat") || p.getName().equals("person"));
                }));
  }
}
