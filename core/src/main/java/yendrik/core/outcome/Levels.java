package yendrik.core.outcome;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/** Works out levels from evidence, says with which numbers, and what would change them. */
public final class Levels {
  private static final int LOOKED_AHEAD = 8;

  private Levels() {}

  /** How a piece took part. */
  public enum Use {
    COUNTED,
    /** From before the moment since which evidence counts. */
    TOO_OLD,
    /** Not the piece, or not among the pieces, that the method looks at. */
    PASSED_OVER
  }

  /**
   * A piece with its part in the result.
   *
   * @param share of the result, 0 to 1; the shares of the pieces that counted add up to 1, if any
   *     does
   */
  public record Counted(Evidence piece, Use use, double share) {}

  /**
   * A level with the way it was found.
   *
   * @param level empty while there are too few pieces
   * @param value before it was brought to a whole level; NaN while there are too few pieces
   * @param missing how many pieces are missing before there is a level
   */
  public record Reckoning(OptionalInt level, double value, int missing, List<Counted> pieces) {}

  /**
   * The level that pieces amount to.
   *
   * @param pieces oldest first
   * @return an index into the outcome's scale; empty while there are too few pieces
   */
  public static OptionalInt of(LevelRule rule, List<Evidence> pieces) {
    int from = first(rule, pieces);
    int n = pieces.size() - from;
    if (n < needed(rule)) return OptionalInt.empty();
    return OptionalInt.of(
        switch (rule.method()) {
          case LevelMethod.MostRecent _ -> pieces.get(newest(pieces, from)).level();
          case LevelMethod.Best _ -> best(pieces, from);
          case LevelMethod.Mean _ -> nearest(mean(pieces, from));
          case LevelMethod.RecencyWeighted m -> nearest(weighted(m, pieces, from));
          case LevelMethod.Secure m -> secure(m, pieces, from);
        });
  }

  private static int needed(LevelRule rule) {
    return rule.method() instanceof LevelMethod.Secure m
        ? Math.max(m.times(), rule.fewest())
        : rule.fewest();
  }

  private static int first(LevelRule rule, List<Evidence> pieces) {
    if (rule.since().isEmpty()) return 0;
    long since = rule.since().get().toEpochMilli();
    int first = 0;
    while (first < pieces.size() && pieces.get(first).at() < since) first++;
    return first;
  }

  private static int newest(List<Evidence> pieces, int from) {
    int newest = from;
    for (int p = from; p < pieces.size(); p++)
      if (pieces.get(p).at() >= pieces.get(newest).at()) newest = p;
    return newest;
  }

  private static int best(List<Evidence> pieces, int from) {
    int best = 0;
    for (int p = from; p < pieces.size(); p++) best = Math.max(best, pieces.get(p).level());
    return best;
  }

  private static double mean(List<Evidence> pieces, int from) {
    double sum = 0;
    double weights = 0;
    for (int p = from; p < pieces.size(); p++) {
      Evidence piece = pieces.get(p);
      sum += piece.level() * piece.weight();
      weights += piece.weight();
    }
    return sum / weights;
  }

  private static double weighted(
      LevelMethod.RecencyWeighted method, List<Evidence> pieces, int from) {
    double decay = Math.pow(0.5, 1.0 / method.halvesEvery());
    double fading = 1;
    double sum = 0;
    double weights = 0;
    for (Evidence piece : inTime(pieces.subList(from, pieces.size())).reversed()) {
      double weight = fading * piece.weight();
      sum += weight * piece.level();
      weights += weight;
      fading *= decay;
    }
    return sum / weights;
  }

  /** What each piece weighs by its age in pieces; 0 for those that do not count. */
  private static double[] weights(
      LevelMethod.RecencyWeighted method, List<Evidence> pieces, int from) {
    double[] weight = new double[pieces.size()];
    List<Integer> places = new ArrayList<>();
    for (int p = from; p < pieces.size(); p++) places.add(p);
    places.sort(Comparator.comparingLong(p -> pieces.get(p).at()));
    for (int n = 0; n < places.size(); n++) {
      int p = places.get(n);
      double newer = places.size() - 1 - n;
      weight[p] = pieces.get(p).weight() * Math.pow(0.5, newer / method.halvesEvery());
    }
    return weight;
  }

  /** By their moments; mostly they are. */
  private static List<Evidence> inTime(List<Evidence> pieces) {
    for (int p = 1; p < pieces.size(); p++)
      if (pieces.get(p).at() < pieces.get(p - 1).at())
        return pieces.stream().sorted(Comparator.comparingLong(Evidence::at)).toList();
    return pieces;
  }

  private static int secure(LevelMethod.Secure method, List<Evidence> pieces, int from) {
    int[] last =
        pieces.subList(Math.max(from, pieces.size() - method.last()), pieces.size()).stream()
            .mapToInt(Evidence::level)
            .sorted()
            .toArray();
    return last[last.length - method.times()];
  }

  /** The whole level nearest to a value, a tie going down. */
  static int nearest(double value) {
    return (int) Math.ceil(value - 0.5 - 1e-9);
  }

  /** The same as {@link #of} with every piece's part in it. */
  public static Reckoning reckon(LevelRule rule, List<Evidence> pieces) {
    int from = first(rule, pieces);
    int n = pieces.size() - from;
    OptionalInt level = of(rule, pieces);
    double[] share = new double[pieces.size()];
    double value = Double.NaN;
    if (level.isPresent()) {
      value = level.getAsInt();
      switch (rule.method()) {
        case LevelMethod.MostRecent _ -> share[newest(pieces, from)] = 1;
        case LevelMethod.Best _ -> only(share, pieces, from, level.getAsInt());
        case LevelMethod.Mean _ -> {
          value = mean(pieces, from);
          for (int p = from; p < pieces.size(); p++) share[p] = pieces.get(p).weight();
          divide(share);
        }
        case LevelMethod.RecencyWeighted m -> {
          value = weighted(m, pieces, from);
          share = weights(m, pieces, from);
          divide(share);
        }
        case LevelMethod.Secure m ->
            only(share, pieces, Math.max(from, pieces.size() - m.last()), level.getAsInt());
      }
    }
    List<Counted> counted = new ArrayList<>();
    for (int p = 0; p < pieces.size(); p++) {
      Use use = p < from ? Use.TOO_OLD : share[p] > 0 ? Use.COUNTED : Use.PASSED_OVER;
      counted.add(new Counted(pieces.get(p), use, share[p]));
    }
    return new Reckoning(level, value, Math.max(0, needed(rule) - n), List.copyOf(counted));
  }

  /** The newest of the pieces at the level is the one that gives it. */
  private static void only(double[] share, List<Evidence> pieces, int from, int level) {
    for (int p = pieces.size() - 1; p >= from; p--)
      if (pieces.get(p).level() == level) {
        share[p] = 1;
        return;
      }
  }

  private static void divide(double[] weights) {
    double sum = 0;
    for (double weight : weights) sum += weight;
    for (int p = 0; p < weights.length; p++) weights[p] /= sum;
  }

  /**
   * Something that would bring mastery, or take it away.
   *
   * @param pieces how many further pieces of weight 1 it takes
   * @param level at which level
   * @param result the level that comes of it
   */
  public record Change(int pieces, int level, int result) {}

  /**
   * The least that would bring mastery: the fewest further pieces, and among these the lowest level
   * they may have. Empty when mastery is there, or not to be had with {@value #LOOKED_AHEAD}
   * pieces.
   */
  public static Optional<Change> wouldBringMastery(
      LevelRule rule, Scale scale, List<Evidence> pieces) {
    if (atMastery(of(rule, pieces), scale)) return Optional.empty();
    for (int more = 1; more <= LOOKED_AHEAD; more++)
      for (int level = scale.mastery(); level <= scale.top(); level++) {
        OptionalInt result = of(rule, with(pieces, more, level));
        if (atMastery(result, scale))
          return Optional.of(new Change(more, level, result.getAsInt()));
      }
    return Optional.empty();
  }

  /**
   * The highest level at which a single further piece would take mastery away. Empty when mastery
   * is not there, or when no single piece can take it.
   */
  public static Optional<Change> wouldTakeMastery(
      LevelRule rule, Scale scale, List<Evidence> pieces) {
    if (!atMastery(of(rule, pieces), scale)) return Optional.empty();
    for (int level = scale.mastery() - 1; level >= 0; level--) {
      OptionalInt result = of(rule, with(pieces, 1, level));
      if (!atMastery(result, scale)) return Optional.of(new Change(1, level, result.orElse(-1)));
    }
    return Optional.empty();
  }

  private static boolean atMastery(OptionalInt level, Scale scale) {
    return level.isPresent() && level.getAsInt() >= scale.mastery();
  }

  private static List<Evidence> with(List<Evidence> pieces, int more, int level) {
    List<Evidence> longer = new ArrayList<>(pieces);
    long at = pieces.stream().map(Evidence::at).max(Comparator.naturalOrder()).orElse(0L);
    for (int n = 1; n <= more; n++)
      longer.add(new Evidence(at + n, level, 1, Optional.empty(), 0, Optional.empty()));
    return longer;
  }

  /**
   * The level that a quiz score stands for by cut points: the highest level whose least share the
   * score reaches, index 0 below the first.
   *
   * <p>Example: with cuts of 30 %, 60 % and 90 %, a score of 60 % gives 2 and 89 % gives 2.
   *
   * @param score 0 to 1
   * @param cuts ascending; the n-th is the least share for the level at index n + 1
   */
  public static int ofScore(double score, List<Double> cuts) {
    int level = 0;
    while (level < cuts.size() && score >= cuts.get(level) - 1e-9) level++;
    return level;
  }

  /**
   * The level that a quiz score stands for: mastery from the pass mark upward, and never above it,
   * since only a person can see the levels beyond; below the pass mark, the lower levels in equal
   * shares.
   *
   * <p>Example: on a scale of four with mastery at index 2 and a pass mark of 60 %, a score of 60 %
   * gives 2, 59 % gives 1 and 29 % gives 0. Where the lowest level is mastery already, every score
   * gives it.
   *
   * @param score 0 to 1
   * @param pass 0 to 1; 0 makes every score mastery
   */
  public static int ofScore(Scale scale, double score, double pass) {
    if (score >= pass - 1e-9) return scale.mastery();
    int reached = (int) Math.floor(score / pass * scale.mastery() + 1e-9);
    return Math.max(0, Math.min(scale.mastery() - 1, reached));
  }
}
