package yendrik.server.way;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import yendrik.core.id.OutcomeId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.LevelHistory;

/**
 * How a learner's levels moved, as it is kept beside the snapshot.
 *
 * @param moves outcome id to pairs, one after the other: epoch seconds, level from then on
 */
public record Trend(Map<OutcomeId, long[]> moves) {
  private static final long MILLIS = 1000;
  private static final long[] NONE = {};

  static Trend of(LearnerRecord record) {
    Map<OutcomeId, long[]> moves = new HashMap<>();
    for (int o = 0; o < record.index().outcomes(); o++) {
      long[] flat =
          LevelHistory.of(record, o).stream()
              .flatMapToLong(m -> LongStream.of(Math.floorDiv(m.at(), MILLIS), m.level()))
              .toArray();
      if (flat.length > 0) moves.put(record.index().outcome(o).id(), flat);
    }
    return new Trend(moves);
  }

  /** The moves of one outcome, earliest first; none without evidence. */
  public List<LevelHistory.Move> of(OutcomeId outcome) {
    long[] flat = moves.getOrDefault(outcome, NONE);
    List<LevelHistory.Move> all = new ArrayList<>();
    for (int n = 0; n + 1 < flat.length; n += 2)
      all.add(new LevelHistory.Move(flat[n] * MILLIS, (int) flat[n + 1]));
    return all;
  }
}
