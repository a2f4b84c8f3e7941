package yendrik.server.http;

import static java.util.Objects.requireNonNull;

import io.swagger.v3.core.jackson.TypeNameResolver;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.annotation.ClassPathScanningCandidateComponentProvider;
import org.springframework.core.type.filter.AnnotationTypeFilter;
import org.springframework.util.ClassUtils;

/**
 * What the API's description calls a type: its own short name, without what says to which layer of
 * the server it belongs, wherever it is kept. A type whose name another one has already says its
 * own with {@code @Schema(name = …)}.
 */
final class SchemaNames extends TypeNameResolver {
  private final Map<String, Class<?>> types = new ConcurrentHashMap<>();
  private final Set<String> clashes = ConcurrentHashMap.newKeySet();

  /** Knows from the start what says its own name, since that is not always asked for here. */
  SchemaNames() {
    var scan = new ClassPathScanningCandidateComponentProvider(/* useDefaultFilters= */ false);
    scan.addIncludeFilter(new AnnotationTypeFilter(Schema.class));
    for (var found : scan.findCandidateComponents("yendrik.server"))
      nameForClass(
          ClassUtils.resolveClassName(
              requireNonNull(found.getBeanClassName()), SchemaNames.class.getClassLoader()),
          Set.of());
  }

  @Override
  protected String getNameOfClass(Class<?> type) {
    return type.getSimpleName().replaceFirst("(?<=.)(View|Form)$", "");
  }

  @Override
  protected String nameForClass(Class<?> type, Set<Options> options) {
    String name = super.nameForClass(type, options);
    Class<?> other = types.putIfAbsent(name, type);
    if (other != null && other != type)
      clashes.add(
          "%s and %s would both be called %s; give one a @Schema(name)"
              .formatted(other.getName(), type.getName(), name));
    return name;
  }

  /** What a type is called. */
  String of(Class<?> type) {
    return nameForClass(type, Set.of());
  }

  /**
   * Refuses to go on when two types are called the same. Asked at the end, since whoever asks for
   * single names takes a refusal for a type that cannot be described.
   */
  void check() {
    if (!clashes.isEmpty()) throw new IllegalStateException(String.join("\n", clashes));
  }

  /** The type that a schema stands for. */
  Optional<Class<?>> type(String name) {
    return Optional.ofNullable(types.get(name));
  }
}
