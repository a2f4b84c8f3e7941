package yendrik.core.progress;

import java.util.Arrays;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.plan.CompiledCourse;

/**
 * What has been worked out for each unit of a course (see {@link CompiledCourse}), in flat arrays
 * by unit. Each unit fills what it has: a badge is open while it is held.
 *
 * <p>What is kept (moments) is apart from what is worked out anew at every look. The latter begins
 * at the bottom (closed, out of reach, no share, nobody's turn) and only ever grows from there, so
 * that units which wait for each other cannot hold each other up.
 */
final class Units {
  static final long NEVER = LearnerRecord.NEVER;
  static final long NO_MOMENT = Long.MAX_VALUE;

  /** When a step was first open. */
  final long[] openedAt;

  /** Since when a step's or module's rule grants it. */
  final long[] grantedAt;

  /** When it was done, earned or completed. */
  final long[] keptAt;

  /** When the parts of rules after which days are counted were first met. */
  final long[] firstMet;

  final boolean[] open;

  /** Whether it is open or, without staff acting, some day can be. */
  final boolean[] usable;

  /** Whether it holds only because nothing that it asks for concerns this learner. */
  final boolean[] byWaiver;

  /** Whether it can no longer be done, earned or completed unless staff act. */
  final boolean[] lost;

  final double[] fraction;

  /** By its place: the collector would have to be told of every reference that is written. */
  private final byte[] turn;

  /** The next moment at which the clock alone may change the unit. */
  final long[] next;

  /** How many moments have been put down so far. */
  int kept;

  /** Whether moments are put down, or things only looked at. */
  boolean keeping = true;

  Units(int n, int firsts) {
    openedAt = never(n);
    grantedAt = never(n);
    keptAt = never(n);
    firstMet = never(firsts);
    open = new boolean[n];
    usable = new boolean[n];
    byWaiver = new boolean[n];
    lost = new boolean[n];
    fraction = new double[n];
    turn = new byte[n];
    next = new long[n];
    Arrays.fill(next, NO_MOMENT);
    for (int u = 0; u < n; u++) toBottom(u);
  }

  private static long[] never(int n) {
    long[] all = new long[n];
    Arrays.fill(all, NEVER);
    return all;
  }

  void toBottom(int u) {
    open[u] = false;
    usable[u] = false;
    byWaiver[u] = false;
    lost[u] = true;
    fraction[u] = 0;
    turn(u, Turn.NOBODY);
  }

  Turn turn(int u) {
    return Turn.at(turn[u]);
  }

  void turn(int u, Turn whose) {
    turn[u] = (byte) whose.ordinal();
  }

  /** Puts a moment down unless there is one already; says whether it is new. */
  boolean keep(long[] moments, int u, long now) {
    if (!keeping || moments[u] != NEVER) return false;
    moments[u] = now;
    kept++;
    return true;
  }

  /** A unit as others see it, for telling whether a look has changed anything. */
  void see(int u, Seen seen) {
    seen.keptAt = keptAt[u];
    seen.grantedAt = grantedAt[u];
    seen.open = open[u];
    seen.usable = usable[u];
    seen.byWaiver = byWaiver[u];
    seen.lost = lost[u];
    seen.fraction = fraction[u];
    seen.turn = turn[u];
  }

  boolean differs(int u, Seen seen) {
    return seen.keptAt != keptAt[u]
        || seen.grantedAt != grantedAt[u]
        || seen.open != open[u]
        || seen.usable != usable[u]
        || seen.byWaiver != byWaiver[u]
        || seen.lost != lost[u]
        || seen.fraction != fraction[u]
        || seen.turn != turn[u];
  }

  /** What others can read of a unit; one object is used again and again. */
  static final class Seen {
    private long keptAt;
    private long grantedAt;
    private boolean open;
    private boolean usable;
    private boolean byWaiver;
    private boolean lost;
    private double fraction;
    private byte turn;
  }
}
