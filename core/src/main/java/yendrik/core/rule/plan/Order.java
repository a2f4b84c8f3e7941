package yendrik.core.rule.plan;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;

/**
 * Orders units so that each comes after the units it reads. Units that wait for each other, a
 * <em>circle</em>, stand beside each other, in course order, after all that the circle reads and
 * before all that reads it. Circles are the strongly connected components of who reads whom, found
 * by Tarjan's algorithm (1972).
 */
public final class Order {
  private static final int ALONE = -1;
  private final int[][] dependents;
  private final int[] found;
  private final int[] low;
  private final boolean[] onPath;
  private final Deque<Integer> path = new ArrayDeque<>();
  private final int[] order;

  /** For each place in the order the last place of its circle, {@link #ALONE} outside of any. */
  private final int[] circleEnd;

  private int time;
  private int free;

  private Order(int units, int[][] dependents, boolean[] readsItself) {
    this.dependents = dependents;
    found = new int[units];
    low = new int[units];
    onPath = new boolean[units];
    order = new int[units];
    circleEnd = new int[units];
    Arrays.fill(circleEnd, ALONE);
    free = units;
    for (int u = units - 1; u >= 0; u--) if (found[u] == 0) visit(u, readsItself);
  }

  /**
   * @param dependents for each unit those that read it
   * @param readsItself which units wait for themselves
   */
  public static Order of(int units, int[][] dependents, boolean[] readsItself) {
    return new Order(units, dependents, readsItself);
  }

  /** Components are found readers first, so the order is filled from its end. */
  private void visit(int unit, boolean[] readsItself) {
    found[unit] = low[unit] = ++time;
    path.push(unit);
    onPath[unit] = true;
    for (int reader : dependents[unit]) {
      if (found[reader] == 0) {
        visit(reader, readsItself);
        low[unit] = Math.min(low[unit], low[reader]);
      } else if (onPath[reader]) low[unit] = Math.min(low[unit], found[reader]);
    }
    if (low[unit] != found[unit]) return;
    int end = free;
    int member;
    do {
      member = path.pop();
      onPath[member] = false;
      order[--free] = member;
    } while (member != unit);
    Arrays.sort(order, free, end);
    if (end - free > 1 || readsItself[unit]) Arrays.fill(circleEnd, free, end, end - 1);
  }

  /** All units in order. */
  public int[] units() {
    return order;
  }

  /** The last place of the circle that begins at or holds a place, -1 outside of any circle. */
  public int[] circleEnds() {
    return circleEnd;
  }
}
