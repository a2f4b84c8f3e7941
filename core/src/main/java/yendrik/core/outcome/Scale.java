package yendrik.core.outcome;

import java.util.List;
import yendrik.core.Refusal;
import yendrik.core.id.ScaleId;

/**
 * Ordered named levels, weakest first, whatever the printed numbers say: a scale on which 1 is best
 * lists 6 first and 1 last. From {@code mastery} (an index) upward a level counts as mastery.
 *
 * <p>Example: {@code new Scale(id, "Workshop", List.of(watching, withHelp, onMyOwn, canTeach), 2)}.
 */
public record Scale(ScaleId id, String name, List<Level> levels, int mastery) {

  /**
   * One level.
   *
   * @param key what ratings and rules name the level by; it stays when levels come to stand around
   *     it
   * @param points what the level is worth, any finite number
   * @param description what a learner at this level does, in words
   */
  public record Level(int key, String name, double points, String description) {
    public Level {
      if (name.isBlank()) throw new Refusal("level-without-name");
      if (!Double.isFinite(points))
        throw new Refusal("points-of-level", "level", name, "points", points);
    }
  }

  public Scale {
    levels = List.copyOf(levels);
    if (levels.size() < 2) throw new Refusal("scale-levels", "scale", name);
    if (mastery < 0 || mastery >= levels.size())
      throw new Refusal("scale-mastery", "level", mastery, "scale", name);
    if (levels.stream().mapToInt(Level::key).distinct().count() != levels.size())
      throw new Refusal("scale-keys", "scale", name);
  }

  /** The index of the level with a key, -1 when there is none. */
  public int at(int key) {
    for (int l = 0; l < levels.size(); l++) if (levels.get(l).key() == key) return l;
    return -1;
  }

  /** The key of the level at an index. */
  public int key(int index) {
    return levels.get(index).key();
  }

  /**
   * What a level is worth where numbers are asked for, as in a calculated column.
   *
   * @param points as the scale says
   * @param share place on the scale: 0 for the weakest level, 1 for the best, evenly between
   */
  public record Value(double points, double share, boolean mastery) {}

  /** The value of the level at an index. */
  public Value value(int index) {
    return new Value(levels.get(index).points(), (double) index / top(), index >= mastery);
  }

  /** The best level's index. */
  public int top() {
    return levels.size() - 1;
  }
}
