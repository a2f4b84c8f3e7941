package yendrik.formats.badge;

import java.util.Map;
import java.util.Optional;

/** The pictograms that badges can bear, by name. */
public record Signs(Map<String, Sign> byName) {
  /** What is known of no pictogram. */
  public static final Signs NONE = new Signs(Map.of());

  public Signs {
    byName = Map.copyOf(byName);
  }

  /**
   * A pictogram as SVG path data.
   *
   * @param fill filled, in a box of 256; empty where it is lines only
   * @param bold in heavy lines, in the same box
   * @param line lines to be drawn, in a box of 100
   */
  public record Sign(Optional<String> fill, Optional<String> bold, Optional<String> line) {}

  /** The pictogram of a name. */
  public Optional<Sign> sign(String name) {
    return Optional.ofNullable(byName.get(name));
  }
}
