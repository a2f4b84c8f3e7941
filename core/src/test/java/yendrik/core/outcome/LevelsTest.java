package yendrik.core.outcome;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.NotEmpty;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import yendrik.core.Workshop;

class LevelsTest {
  private static List<Evidence> pieces(List<Integer> levels) {
    List<Evidence> pieces = new ArrayList<>();
    for (int level : levels)
      pieces.add(new Evidence(pieces.size(), level, 1, Optional.empty(), 0, Optional.empty()));
    return pieces;
  }

  private static int level(LevelMethod method, List<Integer> levels) {
    return Levels.of(method, pieces(levels)).orElseThrow();
  }

  @Test
  void worked_examples() {
    List<Integer> levels = List.of(1, 3, 2);
    assertThat(level(LevelMethod.MOST_RECENT, levels)).isEqualTo(2);
    assertThat(level(LevelMethod.BEST, levels)).isEqualTo(3);
    assertThat(level(LevelMethod.MEAN, levels)).isEqualTo(2);
    assertThat(level(LevelMethod.MEAN, List.of(2, 3))).isEqualTo(2);
    assertThat(level(LevelMethod.MEAN, List.of(2, 3, 3))).isEqualTo(3);
  }

  @Test
  void without_evidence_there_is_no_level() {
    for (LevelMethod method : LevelMethod.values())
      assertThat(Levels.of(method, List.of())).isEmpty();
  }

  @Property
  void every_level_lies_between_the_lowest_and_the_highest_piece(
      @ForAll LevelMethod method, @ForAll @NotEmpty List<@IntRange(max = 5) Integer> levels) {
    int level = level(method, levels);
    assertThat(level)
        .isBetween(
            levels.stream().min(Integer::compare).get(),
            levels.stream().max(Integer::compare).get());
  }

  @Property
  void equal_pieces_give_their_level(
      @ForAll LevelMethod method,
      @ForAll @IntRange(max = 5) int level,
      @ForAll @IntRange(min = 1, max = 30) int n) {
    assertThat(level(method, java.util.Collections.nCopies(n, level))).isEqualTo(level);
  }

  @Property
  void another_piece_never_lowers_the_best(
      @ForAll @NotEmpty List<@IntRange(max = 5) Integer> levels,
      @ForAll @IntRange(max = 5) int more) {
    List<Integer> longer = new ArrayList<>(levels);
    longer.add(more);
    assertThat(level(LevelMethod.BEST, longer))
        .isGreaterThanOrEqualTo(level(LevelMethod.BEST, levels));
  }

  @Property
  void the_order_does_not_matter_for_best_and_mean(
      @ForAll @Size(min = 2, max = 10) List<@IntRange(max = 5) Integer> levels) {
    for (LevelMethod method : List.of(LevelMethod.BEST, LevelMethod.MEAN))
      assertThat(level(method, levels.reversed())).isEqualTo(level(method, levels));
  }

  @Property
  void a_quiz_score_is_mastery_exactly_from_the_pass_mark(
      @ForAll @IntRange(max = 100) int score, @ForAll @IntRange(min = 1, max = 100) int pass) {
    int level = Levels.ofScore(Workshop.SCALE, score / 100.0, pass / 100.0);
    assertThat(level == Workshop.SCALE.mastery()).isEqualTo(score >= pass);
    assertThat(level).isBetween(0, Workshop.SCALE.mastery());
  }
}
