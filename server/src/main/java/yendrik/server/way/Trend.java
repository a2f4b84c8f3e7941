package yendrik.server.way;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.LevelHistory;

/**
 * How a learner's levels moved, as it is kept beside the snapshot.
 *
 * @param moves outcome id to pairs, one after the other: epoch seconds, level from then on
 */
public record Trend(Map<Long, List<Long>> moves) {
  private static final long MILLIS = 1000;

  static Trend of(LearnerRecord record) {
    Map<Long, List<Long>> moves = new HashMap<>();
    for (int o = 0; o < record.index().outcomes(); o++) {
      List<Long> flat = new ArrayList<>();
      for (LevelHistory.Move move : LevelHistory.of(record, o)) {
        flat.add(Math.floorDiv(move.at(), MILLIS));
        flat.add((long) move.level());
      }
      if (!flat.isEmpty()) moves.put(record.index().outcome(o).id().value(), flat);
    }
    return new Trend(moves);
  }

  /** The moves of one outcome, earliest first; none without evidence. */
  public List<LevelHistory.Move> of(long outcome) {
    List<Long> flat = moves.getOrDefault(outcome, List.of());
    List<LevelHistory.Move> all = new ArrayList<>();
    for (int n = 0; n + 1 < flat.size(); n += 2)
      all.add(new LevelHistory.Move(flat.get(n) * MILLIS, flat.get(n + 1).intValue()));
    return all;
  }
}
