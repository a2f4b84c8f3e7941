package yendrik.core.record;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.TreeSet;
import yendrik.core.outcome.Composed;
import yendrik.core.outcome.Evidence;
import yendrik.core.outcome.Levels;
import yendrik.core.outcome.Outcome;

/**
 * How a learner's level on an outcome came about, worked out from the evidence that stands: what
 * was corrected or judged anew counts as it is known now, at the time of the piece that stands.
 */
public final class LevelHistory {
  private LevelHistory() {}

  /**
   * From this moment on the level is this.
   *
   * @param at epoch milliseconds
   * @param level index into the outcome's scale, -1 for no level
   */
  public record Move(long at, int level) {}

  /**
   * Every change of a level, earliest first; the first one leaves no level behind, and the last
   * one's level is the record's of today.
   *
   * @param outcome number in the record's index
   */
  public static List<Move> of(LearnerRecord record, int outcome) {
    Outcome of = record.index().outcome(outcome);
    return of.madeOf().isPresent() ? ofParts(record, outcome, of) : ofEvidence(record, outcome, of);
  }

  private static List<Move> ofEvidence(LearnerRecord record, int outcome, Outcome of) {
    List<Evidence> pieces = record.evidence(outcome);
    var moves = new Moves();
    for (long at : new TreeSet<>(pieces.stream().map(Evidence::at).toList()))
      moves.add(at, Levels.of(of.levelRule(), pieces.stream().filter(p -> p.at() <= at).toList()));
    return moves.all;
  }

  private static List<Move> ofParts(LearnerRecord record, int outcome, Outcome of) {
    int[] parts = record.index().parts(outcome);
    List<List<Move>> moved = new ArrayList<>();
    for (int part : parts) moved.add(of(record, part));
    var times = new TreeSet<Long>();
    moved.forEach(moves -> moves.forEach(m -> times.add(m.at())));
    var moves = new Moves();
    for (long at : times) {
      List<Composed.Part> then = new ArrayList<>();
      for (int p = 0; p < parts.length; p++)
        then.add(
            new Composed.Part(record.index().outcome(parts[p]).scale(), levelAt(moved.get(p), at)));
      moves.add(at, Composed.of(of.madeOf().orElseThrow().how(), then, of.scale()));
    }
    return moves.all;
  }

  /**
   * The level at a moment.
   *
   * @param at epoch milliseconds
   */
  public static OptionalInt levelAt(List<Move> moves, long at) {
    int level = -1;
    for (Move move : moves) if (move.at() <= at) level = move.level();
    return level < 0 ? OptionalInt.empty() : OptionalInt.of(level);
  }

  private static final class Moves {
    private final List<Move> all = new ArrayList<>();

    void add(long at, OptionalInt level) {
      int before = all.isEmpty() ? -1 : all.getLast().level();
      if (level.orElse(-1) != before) all.add(new Move(at, level.orElse(-1)));
    }
  }
}
