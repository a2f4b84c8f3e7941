package yendrik.core.outcome;

import java.util.List;
import java.util.OptionalInt;

/** Works out levels from evidence. */
public final class Levels {
  private Levels() {}

  /**
   * The level that a list of pieces, oldest first, amounts to.
   *
   * @return an index into the outcome's scale, empty without evidence
   */
  public static OptionalInt of(LevelMethod method, List<Evidence> pieces) {
    if (pieces.isEmpty()) return OptionalInt.empty();
    return OptionalInt.of(
        switch (method) {
          case MOST_RECENT -> newest(pieces).level();
          case BEST -> pieces.stream().mapToInt(Evidence::level).max().orElseThrow();
          case MEAN -> mean(pieces);
        });
  }

  private static Evidence newest(List<Evidence> pieces) {
    Evidence newest = pieces.getFirst();
    for (Evidence piece : pieces) if (piece.at() >= newest.at()) newest = piece;
    return newest;
  }

  private static int mean(List<Evidence> pieces) {
    double sum = 0;
    double weights = 0;
    for (Evidence piece : pieces) {
      sum += piece.level() * piece.weight();
      weights += piece.weight();
    }
    return (int) Math.ceil(sum / weights - 0.5 - 1e-9);
  }

  /**
   * The level that a quiz score stands for: mastery from the pass mark upward, and never above it,
   * since only a person can see the levels beyond; below the pass mark, the lower levels in equal
   * shares.
   *
   * <p>Example: on a scale of four with mastery at index 2 and a pass mark of 60 %, a score of 60 %
   * gives 2, 59 % gives 1 and 29 % gives 0.
   *
   * @param score 0 to 1
   * @param pass 0 to 1; 0 makes every score mastery
   */
  public static int ofScore(Scale scale, double score, double pass) {
    if (score >= pass - 1e-9) return scale.mastery();
    return Math.min(scale.mastery() - 1, (int) Math.floor(score / pass * scale.mastery() + 1e-9));
  }
}
