package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import yendrik.core.rule.check.Pointless;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenLeaf;

class PointlessTest {
  private static final NodeId A = new NodeId("a");
  private static final NodeId B = new NodeId("b");
  private static final NodeId JOINT = new NodeId("j");

  private static Condition ask(NodeId id, Leaf leaf) {
    return new Condition.Ask(id, leaf);
  }

  private static Map<NodeId, NodeId> all(Leaf a, Leaf b) {
    return Pointless.in(new Condition.All(JOINT, List.of(ask(A, a), ask(B, b))), design());
  }

  private static Map<NodeId, NodeId> any(Leaf a, Leaf b) {
    return Pointless.in(new Condition.Any(JOINT, List.of(ask(A, a), ask(B, b))), design());
  }

  private static Leaf score(double from) {
    return new MarkLeaf.Score(PADS, from, 1);
  }

  @Test
  void the_looser_of_two_scores_is_pointless_where_both_are_asked_for() {
    assertThat(all(score(0.6), score(0.8))).containsExactly(Map.entry(A, B));
    assertThat(all(score(0.8), score(0.6))).containsExactly(Map.entry(B, A));
  }

  @Test
  void the_stricter_of_two_is_pointless_where_one_is_enough() {
    assertThat(any(score(0.6), score(0.8))).containsExactly(Map.entry(B, A));
  }

  @Test
  void what_none_of_excludes_already_is_pointless() {
    var none = new Condition.None(JOINT, List.of(ask(A, score(0.6)), ask(B, score(0.8))));
    assertThat(Pointless.in(none, design())).containsExactly(Map.entry(B, A));
  }

  @Test
  void what_is_asked_twice_is_pointless_the_second_time() {
    var seen = new SeenLeaf.Seen(PADS);
    assertThat(all(seen, seen)).containsExactly(Map.entry(B, A));
    assertThat(any(seen, seen)).containsExactly(Map.entry(B, A));
  }

  @Test
  void of_three_that_ask_ever_more_only_the_strictest_matters() {
    NodeId c = new NodeId("c");
    var rule =
        new Condition.All(
            JOINT, List.of(ask(A, score(0.5)), ask(B, score(0.9)), ask(c, score(0.7))));
    assertThat(Pointless.in(rule, design())).containsOnlyKeys(A, c);
  }

  @Test
  void levels_count_as_their_scale_puts_them() {
    int mastery = 2;
    assertThat(all(new Leaf.AtMastery(SAFE), new Leaf.LevelAtLeast(SAFE, mastery + 1)))
        .containsExactly(Map.entry(A, B));
    assertThat(all(new Leaf.LevelBelow(SAFE, 2), new Leaf.LevelBelow(SAFE, 1)))
        .containsExactly(Map.entry(A, B));
  }

  @Test
  void days_since_a_step_was_done_ask_for_its_being_done() {
    assertThat(all(new Leaf.StepDone(PADS), new Leaf.DaysSinceDone(PADS, 3)))
        .containsExactly(Map.entry(A, B));
  }

  @Test
  void a_date_within_another_asks_for_it() {
    var from = new Leaf.InTime(Optional.of(Instant.EPOCH), Optional.empty());
    var within =
        new Leaf.InTime(
            Optional.of(Instant.EPOCH.plusSeconds(9)), Optional.of(Instant.EPOCH.plusSeconds(99)));
    assertThat(all(from, within)).containsExactly(Map.entry(A, B));
    assertThat(all(within, from)).containsExactly(Map.entry(B, A));
  }

  @Test
  void different_questions_and_other_steps_leave_each_other_alone() {
    assertThat(all(score(0.6), new AttemptLeaf.Attempted(PADS, 2))).isEmpty();
    assertThat(all(score(0.6), new MarkLeaf.Score(PRACTICAL, 0.8, 1))).isEmpty();
    var some = new Condition.AtLeast(JOINT, 2, List.of(ask(A, score(0.6)), ask(B, score(0.8))));
    assertThat(Pointless.in(some, design())).isEmpty();
  }

  @Property
  void what_is_left_out_as_pointless_lets_the_same_scores_through(
      @ForAll @IntRange(max = 10) int a,
      @ForAll @IntRange(max = 10) int wideA,
      @ForAll @IntRange(max = 10) int b,
      @ForAll @IntRange(max = 10) int wideB,
      @ForAll @IntRange(max = 10) int score) {
    var one = new MarkLeaf.Score(PADS, a / 10.0, Math.min(10, a + wideA) / 10.0);
    var other = new MarkLeaf.Score(PADS, b / 10.0, Math.min(10, b + wideB) / 10.0);
    boolean holdsA = holds(one, score);
    boolean holdsB = holds(other, score);
    Map<NodeId, NodeId> needless = all(one, other);
    boolean left = (needless.containsKey(A) || holdsA) && (needless.containsKey(B) || holdsB);
    assertThat(left).isEqualTo(holdsA && holdsB);
    needless = any(one, other);
    left = (!needless.containsKey(A) && holdsA) || (!needless.containsKey(B) && holdsB);
    assertThat(left).isEqualTo(holdsA || holdsB);
  }

  private static boolean holds(MarkLeaf.Score asked, int score) {
    return score / 10.0 >= asked.from() && score / 10.0 <= asked.to();
  }
}
