package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yendrik.core.Workshop.refused;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;

class LeafTest {
  private static final StepId STEP = new StepId(1);
  private static final ModuleId MODULE = new ModuleId(1);

  @Test
  void a_question_that_counts_begins_at_one() {
    List<IntFunction<Leaf>> counting =
        List.of(
            n -> new Leaf.DaysSinceDone(STEP, n),
            n -> new Leaf.ModuleCount(MODULE, n),
            n -> new Leaf.EvidenceCount(new OutcomeId(1), n, 0),
            Leaf.SessionsAttended::new,
            n -> new Leaf.InARow(n, Rhythm.WEEKS),
            Leaf.EnrolledFor::new,
            Leaf.QuietFor::new,
            Leaf.NeverStarted::new,
            Leaf.Overdue::new,
            Leaf.BehindBy::new,
            Leaf.StuckFor::new);
    for (IntFunction<Leaf> leaf : counting) {
      assertThat(leaf.apply(1)).isNotNull();
      assertThat(refused(() -> leaf.apply(0))).contains("1").contains("or more, not 0.");
    }
  }

  @Test
  void a_share_is_more_than_nothing_and_at_most_all() {
    List<DoubleFunction<Leaf>> shares =
        List.of(
            p -> new Leaf.ModuleShare(MODULE, p),
            p -> new Leaf.QuizzesScored(Optional.of(MODULE), p),
            Leaf.AttendanceRate::new,
            Leaf.AttendanceUnder::new);
    for (DoubleFunction<Leaf> leaf : shares) {
      assertThat(leaf.apply(1)).isNotNull();
      assertThat(leaf.apply(0.001)).isNotNull();
      assertThatThrownBy(() -> leaf.apply(0)).hasMessageContaining("share");
      assertThatThrownBy(() -> leaf.apply(1.001)).hasMessageContaining("share");
      assertThatThrownBy(() -> leaf.apply(Double.NaN)).hasMessageContaining("share");
    }
  }
}
