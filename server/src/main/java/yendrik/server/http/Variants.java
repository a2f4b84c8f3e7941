package yendrik.server.http;

import static java.util.Objects.requireNonNull;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.context.annotation.ClassPathScanningCandidateComponentProvider;
import org.springframework.core.type.filter.AssignableTypeFilter;
import org.springframework.util.ClassUtils;
import tools.jackson.databind.jsontype.NamedType;

/** Finds all variants, so that they can be sent, read and described. */
final class Variants {
  private Variants() {}

  /** Every variant there is, with its name. */
  static NamedType[] all() {
    return ofAny(Variant.class).stream()
        .map(type -> new NamedType(type, name(type)))
        .toArray(NamedType[]::new);
  }

  static List<Class<?>> ofAny(Class<?> type) {
    var scan = new ClassPathScanningCandidateComponentProvider(/* useDefaultFilters= */ false);
    scan.addIncludeFilter(new AssignableTypeFilter(type));
    return scan.findCandidateComponents("yendrik.server").stream()
        .<Class<?>>map(found ->
            ClassUtils.resolveClassName(
                requireNonNull(found.getBeanClassName()), type.getClassLoader()))
        .toList();
  }

  private static String name(Class<?> variant) {
    JsonTypeName name = variant.getAnnotation(JsonTypeName.class);
    if (name == null) throw new IllegalStateException(variant + " says not what it is called");
    return name.value();
  }

  /**
   * The variants of one type by name.
   *
   * @throws IllegalStateException if two are called the same
   */
  static Map<String, Class<?>> of(Class<?> type) {
    Map<String, Class<?>> all = new TreeMap<>();
    for (Class<?> variant : ofAny(type))
      if (all.put(name(variant), variant) != null)
        throw new IllegalStateException("two variants of " + type + " are called " + name(variant));
    return all;
  }
}
