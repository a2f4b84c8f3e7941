package yendrik.core.rule.plan;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Condition;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.look.Probe;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.Subjects;

/**
 * One rule with its names turned into numbers, as a list of nodes with parts before their joint, so
 * that evaluating is one pass without calls into a tree. Immutable and shared.
 *
 * <p>How joints read their parts, waived parts left out:
 *
 * <ul>
 *   <li><em>all of</em>: met when all are; out of reach when one is; mean of the fractions;
 *   <li><em>any of</em>: met when one is; out of reach when all are; best fraction;
 *   <li><em>at least n of</em>: n is never above what is left; met at n; out of reach when met and
 *       not-yet together are fewer; mean of the best n fractions;
 *   <li><em>none of</em>: met while none is; out of reach once a part is met that cannot lapse;
 *   <li><em>days after</em>: met so many days after its part first was.
 * </ul>
 *
 * A joint whose parts are all waived, or that has none, is waived.
 */
public final class PlannedRule {
  private static final long DAY = 86_400_000L;

  /** What a node does with its parts; its number is of parts or of days. */
  private enum Joint {
    ASK,
    ALL,
    ANY,
    AT_LEAST,
    NONE,
    AFTER
  }

  private final Condition[] conditions;
  private final Joint[] joints;
  private final int[] numbers;
  private final Probe[] probes;
  private final int[][] parts;
  private final int[] firsts;
  private final boolean waits;

  /** Most rules are one question, which needs no walk. */
  private final @Nullable Probe alone;

  PlannedRule(RuleAt at, Condition rule, Leaves leaves, List<FirstMet> all) {
    List<Condition> order = new ArrayList<>();
    List<int[]> below = new ArrayList<>();
    lay(rule, order, below);
    conditions = order.toArray(Condition[]::new);
    parts = below.toArray(int[][]::new);
    probes = new Probe[conditions.length];
    joints = new Joint[conditions.length];
    numbers = new int[conditions.length];
    firsts = new int[conditions.length];
    int before = all.size();
    for (int i = 0; i < probes.length; i++)
      joints[i] =
          switch (conditions[i]) {
            case Condition.Ask ask -> {
              probes[i] = leaves.probe(ask.leaf());
              yield Joint.ASK;
            }
            case Condition.All _ -> Joint.ALL;
            case Condition.Any _ -> Joint.ANY;
            case Condition.AtLeast some -> {
              numbers[i] = some.n();
              yield Joint.AT_LEAST;
            }
            case Condition.None _ -> Joint.NONE;
            case Condition.After after -> {
              numbers[i] = after.days();
              firsts[i] = all.size();
              all.add(new FirstMet(at, after.id()));
              yield Joint.AFTER;
            }
          };
    waits = all.size() > before;
    alone = probes.length == 1 ? probes[0] : null;
  }

  private static int lay(Condition node, List<Condition> order, List<int[]> below) {
    int[] parts = node.parts().stream().mapToInt(part -> lay(part, order, below)).toArray();
    order.add(node);
    below.add(parts);
    return order.size() - 1;
  }

  int size() {
    return conditions.length;
  }

  /**
   * Whether evaluating it puts nothing down, so that it need not be asked what it cannot change.
   */
  public boolean onlyLooks() {
    return !waits;
  }

  void readsFrom(Subjects subjects) {
    for (Probe probe : probes) if (probe != null) probe.readsFrom(subjects);
  }

  /** Evaluates into a desk; the result of the whole rule is then the desk's. */
  public void evaluate(Sight sight, Desk desk) {
    desk.hold(this);
    if (alone != null) {
      alone.look(sight, desk.reading);
      return;
    }
    for (int i = 0; i < conditions.length; i++) {
      if (probes[i] != null) probes[i].look(sight, desk.reading);
      else if (joints[i] == Joint.AFTER) wait(i, sight, desk);
      else join(i, desk);
      desk.put(i);
    }
  }

  Condition condition(int node) {
    return conditions[node];
  }

  int[] parts(int node) {
    return parts[node];
  }

  private void join(int node, Desk desk) {
    int[] of = parts[node];
    int left = 0;
    long next = Reading.NO_MOMENT;
    for (int part : of) {
      next = Math.min(next, desk.next[part]);
      if (desk.verdict(part) != Verdict.WAIVED) left++;
    }
    if (left == 0) {
      desk.reading.waivedUntil(next);
      return;
    }
    switch (joints[node]) {
      case ALL -> atLeast(left, of, desk);
      case ANY -> atLeast(1, of, desk);
      case AT_LEAST -> atLeast(Math.min(numbers[node], left), of, desk);
      case NONE -> none(of, desk);
      case ASK, AFTER -> throw new IllegalStateException("no joint of several parts");
    }
  }

  private void wait(int node, Sight sight, Desk desk) {
    int part = parts[node][0];
    long since = sight.firstMet(firsts[node], desk.verdict(part) == Verdict.MET);
    Reading reading = desk.reading;
    if (since != LearnerRecord.NEVER) {
      long gone = sight.now() - since;
      long wait = numbers[node] * DAY;
      if (gone >= wait) reading.met();
      else reading.notBefore(since + wait, (double) gone / wait);
      return;
    }
    switch (desk.verdict(part)) {
      case WAIVED -> reading.waived();
      case OUT_OF_REACH -> reading.outOfReach(0);
      case MET, NOT_YET -> reading.notYet(0, desk.turn(part));
    }
    reading.lookAgainAt(desk.next[part]);
  }

  /** <em>All of</em> is at least as many as are left, <em>any of</em> at least one. */
  private static void atLeast(int n, int[] of, Desk desk) {
    int met = 0;
    int lasting = 0;
    int notYet = 0;
    long next = Reading.NO_MOMENT;
    Turn turn = Turn.NOBODY;
    for (int part : of) {
      next = Math.min(next, desk.next[part]);
      switch (desk.verdict(part)) {
        case MET -> {
          met++;
          if (desk.lasting[part]) lasting++;
        }
        case NOT_YET -> {
          notYet++;
          if (desk.turn(part).compareTo(turn) < 0) turn = desk.turn(part);
        }
        case OUT_OF_REACH, WAIVED -> {}
      }
    }
    Reading reading = desk.reading;
    if (met >= n) {
      if (lasting >= n) reading.met();
      else reading.metForNow(next);
    } else if (met + notYet < n) reading.outOfReach(bestMean(n, of, desk));
    else reading.notYet(bestMean(n, of, desk), turn);
    reading.lookAgainAt(next);
  }

  private static double bestMean(int n, int[] of, Desk desk) {
    if (n == 1) {
      double best = 0;
      for (int part : of)
        if (desk.verdict(part) != Verdict.WAIVED) best = Math.max(best, desk.fraction[part]);
      return best;
    }
    double[] fractions = desk.scratch(of.length);
    int count = 0;
    for (int part : of)
      if (desk.verdict(part) != Verdict.WAIVED) fractions[count++] = desk.fraction[part];
    if (count > n) java.util.Arrays.sort(fractions, 0, count);
    double sum = 0;
    for (int i = count - n; i < count; i++) sum += fractions[i];
    return sum / n;
  }

  private static void none(int[] of, Desk desk) {
    boolean met = false;
    boolean forGood = false;
    boolean settled = true;
    long next = Reading.NO_MOMENT;
    Turn turn = Turn.NOBODY;
    for (int part : of) {
      next = Math.min(next, desk.next[part]);
      if (desk.verdict(part) == Verdict.MET) {
        met = true;
        forGood |= desk.lasting[part];
        if (desk.turn(part).compareTo(turn) < 0) turn = desk.turn(part);
      }
      settled &= desk.verdict(part) == Verdict.OUT_OF_REACH || desk.verdict(part) == Verdict.WAIVED;
    }
    Reading reading = desk.reading;
    if (forGood) reading.outOfReach(0);
    else if (met) reading.notYet(0, turn);
    else if (settled) reading.met();
    else reading.metForNow(next);
    reading.lookAgainAt(next);
  }
}
