package yendrik.core.rule.plan;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.look.Reading;

/**
 * The working space for evaluating rules, one for each thread, used again and again. After {@link
 * PlannedRule#evaluate} it holds what each node of that rule came to, until the next evaluation;
 * explaining reads these same results.
 */
public final class Desk {
  final Reading reading = new Reading();
  private final byte[] verdict;
  final boolean[] lasting;
  final double[] fraction;
  private final byte[] turn;
  final long[] next;
  private final double[] scratch;
  private @Nullable PlannedRule held;

  Desk(int largestRule) {
    int n = Math.max(1, largestRule);
    verdict = new byte[n];
    lasting = new boolean[n];
    fraction = new double[n];
    turn = new byte[n];
    next = new long[n];
    scratch = new double[n];
  }

  void hold(PlannedRule rule) {
    held = rule;
  }

  void put(int node) {
    verdict[node] = (byte) reading.verdict().ordinal();
    lasting[node] = reading.lasting();
    fraction[node] = reading.fraction();
    turn[node] = (byte) reading.turn().ordinal();
    next[node] = reading.next();
  }

  Verdict verdict(int node) {
    return Verdict.at(verdict[node]);
  }

  Turn turn(int node) {
    return Turn.at(turn[node]);
  }

  double[] scratch(int n) {
    return scratch;
  }

  private PlannedRule held() {
    return requireNonNull(held, "no rule is held yet");
  }

  private int root() {
    return held().size() - 1;
  }

  // the whole rule is read last
  public Verdict verdict() {
    return reading.verdict();
  }

  /** Whether the rule holds for opening, done and complete: met, or waived altogether. */
  public boolean holds() {
    return verdict() == Verdict.MET || verdict() == Verdict.WAIVED;
  }

  public double fraction() {
    return reading.fraction();
  }

  public Turn turn() {
    return reading.turn();
  }

  /** The next moment at which the clock alone may change it; {@link Long#MAX_VALUE} for none. */
  public long next() {
    return reading.next();
  }

  /** What each node came to in the evaluation just made, as a tree. */
  public Explained explained() {
    put(root());
    return explained(root());
  }

  private Explained explained(int node) {
    List<Explained> parts = new ArrayList<>();
    for (int part : held().parts(node)) parts.add(explained(part));
    return new Explained(
        held().condition(node), verdict(node), fraction[node], turn(node), next[node], parts);
  }
}
