package yendrik.formats.qti;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What an item declares about an answer.
 *
 * @param several whether it is made of several parts
 * @param correct the right answer
 * @param worth what each part of an answer gives, in points; none where that is not said
 * @param most the most points that these give together
 * @param withCase whether large and small letters are told apart
 * @param areas of a picture that give points
 */
record Declared(
    String baseType,
    boolean several,
    List<String> correct,
    Map<String, Double> worth,
    Optional<Double> most,
    boolean withCase,
    List<Tag> areas) {
  static final Declared NOTHING =
      new Declared("", false, List.of(), Map.of(), Optional.empty(), true, List.of());

  static Declared of(Tag declaration) {
    Optional<Tag> mapping = declaration.child("mapping");
    List<Tag> entries = mapping.map(m -> m.children("mapEntry")).orElse(List.of());
    Map<String, Double> worth = new LinkedHashMap<>();
    for (Tag entry : entries)
      worth.put(entry.attr("mapKey").orElse(""), entry.number("mappedValue").orElse(0.0));
    List<String> correct =
        declaration
            .child("correctResponse")
            .map(c -> c.children("value").stream().map(Tag::text).toList())
            .orElse(List.of());
    boolean withCase =
        entries.isEmpty()
            || entries.stream().anyMatch(e -> e.attr("caseSensitive").equals(Optional.of("true")));
    return new Declared(
        declaration.attr("baseType").orElse("identifier"),
        declaration.attr("cardinality").filter(c -> !c.equals("single")).isPresent(),
        correct,
        worth,
        mapping.flatMap(m -> m.number("upperBound")),
        withCase,
        declaration.child("areaMapping").map(a -> a.children("areaMapEntry")).orElse(List.of()));
  }

  /** Whether a number is asked for. */
  boolean numeric() {
    return baseType.equals("float") || baseType.equals("integer");
  }

  /** The most points that it can give, as far as it says so. */
  Optional<Double> points() {
    if (most.isPresent()) return most;
    var all = worth.values().stream().mapToDouble(d -> d).filter(d -> d > 0);
    double sum = several ? all.sum() : all.max().orElse(0);
    if (sum > 0) return Optional.of(sum);
    return areas.stream().flatMap(a -> a.number("mappedValue").stream()).max(Double::compare);
  }

  /** What a part gives, as a share of the whole. */
  double share(String part) {
    return points().map(whole -> worth.getOrDefault(part, 0.0) / whole).orElse(0.0);
  }
}
