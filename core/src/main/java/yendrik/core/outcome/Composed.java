package yendrik.core.outcome;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;

/** Works out the level of an outcome that is made of others. */
public final class Composed {
  private Composed() {}

  /** A part with its level, empty without one. */
  public record Part(Scale scale, OptionalInt level) {
    boolean atMastery() {
      return level.isPresent() && level.getAsInt() >= scale.mastery();
    }
  }

  /**
   * The level that parts amount to on a scale.
   *
   * @return an index into the scale; empty while there is nothing to go by
   */
  public static OptionalInt of(Composition.How how, List<Part> parts, Scale scale) {
    List<Integer> levels = new ArrayList<>();
    for (Part part : parts)
      part.level().ifPresent(level -> levels.add(carry(level, part.scale(), scale)));
    if (levels.isEmpty()) return OptionalInt.empty();
    boolean everyPart = levels.size() == parts.size();
    return switch (how) {
      case Composition.All _ -> enough(parts.size(), parts, levels, scale);
      case Composition.AtLeast some ->
          enough(Math.min(some.n(), parts.size()), parts, levels, scale);
      case Composition.Lowest _ ->
          everyPart
              ? OptionalInt.of(levels.stream().min(Comparator.naturalOrder()).orElseThrow())
              : OptionalInt.empty();
      case Composition.Mean _ ->
          everyPart
              ? OptionalInt.of(
                  Levels.nearest(
                      levels.stream().mapToInt(Integer::intValue).average().orElseThrow()))
              : OptionalInt.empty();
    };
  }

  private static OptionalInt enough(
      int needed, List<Part> parts, List<Integer> levels, Scale scale) {
    int at = (int) parts.stream().filter(Part::atMastery).count();
    if (at >= needed) {
      List<Integer> best = levels.stream().sorted(Comparator.reverseOrder()).toList();
      return OptionalInt.of(Math.max(scale.mastery(), best.get(needed - 1)));
    }
    return OptionalInt.of(
        Math.max(0, Math.min(scale.mastery() - 1, at * scale.mastery() / needed)));
  }

  /**
   * A level carried to another scale: short of mastery and from mastery upward each in proportion,
   * rounded down, so that mastery stays mastery and nothing else becomes it.
   *
   * <p>Example: from three levels short of mastery and one above to one below and one above, 0, 1
   * and 2 become 0, 3 becomes 1 (mastery), 4 becomes 2.
   */
  public static int carry(int level, Scale from, Scale to) {
    if (from.id().equals(to.id())) return level;
    if (level < from.mastery()) return level * to.mastery() / from.mastery();
    int above = from.top() - from.mastery();
    return to.mastery()
        + (above == 0 ? 0 : (level - from.mastery()) * (to.top() - to.mastery()) / above);
  }
}
