package yendrik.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;

class GradeTest {
  @Test
  void a_worked_example() {
    var quiz = new Grade.Scored(10, 0.7);
    var job = new Grade.Scored(30, 0.9);
    assertThat(Grade.soFar(List.of(quiz, job))).as("(7 + 27) of 40").hasValue(0.85);
  }

  @Test
  void there_is_no_grade_before_anything_with_points_is_scored() {
    assertThat(Grade.soFar(List.of())).isEmpty();
    assertThat(Grade.soFar(List.of(new Grade.Scored(0, 1)))).isEmpty();
  }

  @Property
  void a_grade_lies_between_the_worst_and_the_best_share_that_has_points(
      @ForAll @Size(min = 1, max = 20) List<@DoubleRange(min = 0, max = 1) Double> shares) {
    List<Grade.Scored> scored = new ArrayList<>();
    for (int n = 0; n < shares.size(); n++) scored.add(new Grade.Scored(1 + n, shares.get(n)));
    double least = shares.stream().mapToDouble(d -> d).min().orElseThrow();
    double most = shares.stream().mapToDouble(d -> d).max().orElseThrow();
    assertThat(Grade.soFar(scored).orElseThrow()).isBetween(least - 1e-9, most + 1e-9);
  }

  @Property
  void equal_shares_give_that_share_whatever_the_points(
      @ForAll @DoubleRange(min = 0, max = 1) double share,
      @ForAll @Size(min = 1, max = 9) List<@DoubleRange(min = 0.5, max = 100) Double> points) {
    var scored = points.stream().map(p -> new Grade.Scored(p, share)).toList();
    assertThat(Grade.soFar(scored).orElseThrow()).isCloseTo(share, within(1e-9));
  }

  @Test
  void shares_beyond_the_whole_are_refused() {
    assertThatExceptionOfType(Refusal.class).isThrownBy(() -> new Grade.Scored(10, 1.2));
    assertThatExceptionOfType(Refusal.class).isThrownBy(() -> new Grade.Scored(-1, 1));
  }
}
