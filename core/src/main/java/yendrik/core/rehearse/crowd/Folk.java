package yendrik.core.rehearse.crowd;

import java.util.List;
import yendrik.core.Refusal;

/** How able and how quick learners are. */
public sealed interface Folk {
  /** The most that anybody does in a week. */
  double MOST_A_WEEK = 100;

  /**
   * One learner.
   *
   * @param ability the share of the points that they reach on average, 0 to 1
   * @param perWeek how many things they do in a week, more than 0
   */
  record Nature(double ability, double perWeek) {
    public Nature {
      if (!(ability >= 0 && ability <= 1)) throw new Refusal("share", "share", ability);
      if (!(perWeek > 0 && perWeek <= MOST_A_WEEK))
        throw new Refusal("crowd.per-week", "n", perWeek, "most", MOST_A_WEEK);
    }
  }

  /**
   * Spread around a middle: ability as the normal distribution has it, pace as its logarithm has
   * it, so that nobody is slower than standing still.
   *
   * @param ability the middle, 0 to 1
   * @param spread the standard deviation of ability, 0 to 0.5
   * @param perWeek the middle, things done in a week
   * @param paceSpread by how many times somebody a standard deviation away is quicker, 1 or more
   */
  record Around(double ability, double spread, double perWeek, double paceSpread) implements Folk {
    private static final double MOST_TIMES = 10;

    public Around {
      if (!(ability >= 0 && ability <= 1)) throw new Refusal("share", "share", ability);
      if (!(spread >= 0 && spread <= 0.5)) throw new Refusal("crowd.spread", "share", spread);
      if (!(perWeek > 0 && perWeek <= MOST_A_WEEK))
        throw new Refusal("crowd.per-week", "n", perWeek, "most", MOST_A_WEEK);
      if (!(paceSpread >= 1 && paceSpread <= MOST_TIMES))
        throw new Refusal("crowd.pace-spread", "n", paceSpread, "most", MOST_TIMES);
    }

    @Override
    public Nature one(Luck luck) {
      double able = ability + spread * luck.normal(Luck.Of.ABILITY, 0, 0);
      double quick = perWeek * Math.pow(paceSpread, luck.normal(Luck.Of.PACE, 0, 0));
      return new Nature(Math.clamp(able, 0, 1), Math.clamp(quick, 0.01, MOST_A_WEEK));
    }
  }

  /**
   * Like those who were there: each made-up learner is as one of them was.
   *
   * @param seen at least one
   */
  record Like(List<Nature> seen) implements Folk {
    public Like {
      seen = List.copyOf(seen);
      if (seen.isEmpty()) throw new Refusal("crowd.nobody");
    }

    @Override
    public Nature one(Luck luck) {
      return seen.get(luck.oneOf(Luck.Of.ABILITY, seen.size()));
    }
  }

  /** A learner with this luck. */
  Nature one(Luck luck);
}
