package yendrik.core.rule.plan;

import java.util.PriorityQueue;

/**
 * Orders units so that each comes after the units it reads. Units on a circle come in course order
 * at the point where nothing else is left to take.
 */
final class Order {
  private Order() {}

  static int[] of(int units, int[][] dependents) {
    int[] waitsFor = new int[units];
    for (int u = 0; u < units; u++) for (int reader : dependents[u]) waitsFor[reader]++;
    var ready = new PriorityQueue<Integer>();
    boolean[] taken = new boolean[units];
    for (int u = 0; u < units; u++) if (waitsFor[u] == 0) ready.add(u);
    int[] order = new int[units];
    int n = 0;
    int search = 0;
    while (n < units) {
      int unit;
      if (ready.isEmpty()) {
        while (taken[search]) search++;
        unit = search;
      } else {
        unit = ready.poll();
        if (taken[unit]) continue;
      }
      taken[unit] = true;
      order[n++] = unit;
      for (int reader : dependents[unit])
        if (--waitsFor[reader] == 0 && !taken[reader]) ready.add(reader);
    }
    return order;
  }
}
