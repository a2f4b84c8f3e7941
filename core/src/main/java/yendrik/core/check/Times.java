package yendrik.core.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * When something can be so: stretches of time in order, each with its first moment and the moment
 * before which it ends, as epoch milliseconds. Stretches neither touch nor overlap.
 */
final class Times {
  static final long BEGINNING = Long.MIN_VALUE;
  static final long END = Long.MAX_VALUE;

  /** At no time. */
  static final Times NEVER = new Times(new long[0]);

  static final Times ALWAYS = from(BEGINNING);

  /** Stands for a condition that does not concern the learner; it is no time at all. */
  static final Times WAIVED = new Times(new long[0]);

  private final long[] ends;

  private Times(long[] ends) {
    this.ends = ends;
  }

  /** From a moment on; at no time where the moment never comes. */
  static Times from(long moment) {
    return between(moment, END);
  }

  static Times between(long from, long until) {
    return from < until ? new Times(new long[] {from, until}) : NEVER;
  }

  boolean isNever() {
    return ends.length == 0;
  }

  /** The first moment, {@link #END} where there is none. */
  long first() {
    return ends.length == 0 ? END : ends[0];
  }

  /** From its first moment on, whatever comes later. */
  Times onwards() {
    return from(first());
  }

  Times not() {
    List<Long> all = new ArrayList<>();
    long at = BEGINNING;
    for (int i = 0; i < ends.length; i += 2) {
      if (at < ends[i]) add(all, at, ends[i]);
      at = ends[i + 1];
    }
    if (at < END) add(all, at, END);
    return of(all);
  }

  Times and(Times other) {
    if (this == ALWAYS) return other;
    if (other == ALWAYS) return this;
    if (ends.length == 0 || other.ends.length == 0) return NEVER;
    if (ends.length == 2 && other.ends.length == 2) {
      if (ends[0] >= other.ends[0] && ends[1] <= other.ends[1]) return this;
      if (other.ends[0] >= ends[0] && other.ends[1] <= ends[1]) return other;
    }
    List<Long> all = new ArrayList<>();
    int a = 0;
    int b = 0;
    while (a < ends.length && b < other.ends.length) {
      long from = Math.max(ends[a], other.ends[b]);
      long until = Math.min(ends[a + 1], other.ends[b + 1]);
      if (from < until) add(all, from, until);
      if (ends[a + 1] < other.ends[b + 1]) a += 2;
      else b += 2;
    }
    return of(all);
  }

  Times or(Times other) {
    if (ends.length == 0) return other;
    if (other.ends.length == 0) return this;
    if (ends.length == 2 && ends[1] == END && other.first() >= ends[0]) return this;
    if (other.ends.length == 2 && other.ends[1] == END && ends[0] >= other.ends[0]) return other;
    return swept(1, List.of(this, other));
  }

  /** When at least so many of several are so at once. */
  static Times atLeast(int n, List<Times> several) {
    if (n == several.size()) return several.stream().reduce(ALWAYS, Times::and);
    if (n == 1) return several.stream().reduce(NEVER, Times::or);
    return swept(n, several);
  }

  private static Times swept(int n, List<Times> several) {
    record Edge(long at, int by) {}
    List<Edge> edges = new ArrayList<>();
    for (Times times : several)
      for (int i = 0; i < times.ends.length; i++)
        edges.add(new Edge(times.ends[i], i % 2 == 0 ? 1 : -1));
    // what ends and what begins at the same moment leave no gap between them
    edges.sort((x, y) ->
        x.at() != y.at() ? Long.compare(x.at(), y.at()) : Integer.compare(y.by(), x.by()));
    List<Long> all = new ArrayList<>();
    int open = 0;
    for (Edge edge : edges) {
      int was = open;
      open += edge.by();
      if (was < n && open >= n) all.add(edge.at());
      if (was >= n && open < n) all.add(edge.at());
    }
    return of(all);
  }

  private static void add(List<Long> all, long from, long until) {
    all.add(from);
    all.add(until);
  }

  private static Times of(List<Long> ends) {
    return ends.isEmpty() ? NEVER : new Times(ends.stream().mapToLong(Long::longValue).toArray());
  }

  boolean same(Times other) {
    return (this == WAIVED) == (other == WAIVED) && Arrays.equals(ends, other.ends);
  }

  @Override
  public String toString() {
    return this == WAIVED ? "waived" : Arrays.toString(ends);
  }
}
