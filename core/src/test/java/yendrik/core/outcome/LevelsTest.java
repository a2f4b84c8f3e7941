package yendrik.core.outcome;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.NotEmpty;
import net.jqwik.api.constraints.Size;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;
import yendrik.core.Workshop;

class LevelsTest {
  private static final LevelMethod NEWEST = new LevelMethod.MostRecent();
  private static final LevelMethod BEST = new LevelMethod.Best();
  private static final LevelMethod MEAN = new LevelMethod.Mean();
  private static final LevelMethod RECENCY = new LevelMethod.RecencyWeighted(2);
  private static final LevelMethod SECURE = new LevelMethod.Secure(2, 3);
  private static final Scale SCALE = Workshop.SCALE;

  private static Evidence piece(long at, int level, double weight) {
    return new Evidence(at, level, weight, Optional.empty(), 0, Optional.empty());
  }

  private static List<Evidence> pieces(List<Integer> levels) {
    List<Evidence> pieces = new ArrayList<>();
    for (int level : levels) pieces.add(piece(pieces.size(), level, 1));
    return pieces;
  }

  private static OptionalInt level(LevelMethod method, Integer... levels) {
    return level(method, List.of(levels));
  }

  private static OptionalInt level(LevelMethod method, List<Integer> levels) {
    return Levels.of(LevelRule.of(method), pieces(levels));
  }

  @Provide
  Arbitrary<LevelMethod> methods() {
    Arbitrary<LevelMethod> secure =
        Arbitraries.integers()
            .between(1, 5)
            .flatMap(last ->
                Arbitraries.integers()
                    .between(1, last)
                    .map(times -> new LevelMethod.Secure(times, last)));
    Arbitrary<LevelMethod> recency =
        Arbitraries.integers().between(1, 50).map(LevelMethod.RecencyWeighted::new);
    return Arbitraries.oneOf(List.of(Arbitraries.of(NEWEST, BEST, MEAN), recency, secure));
  }

  @Test
  void worked_examples_of_the_newest() {
    assertThat(level(NEWEST, 3, 1, 2)).hasValue(2);
    var sameMoment = List.of(piece(5, 1, 1), piece(5, 3, 1));
    assertThat(Levels.of(LevelRule.of(NEWEST), sameMoment)).hasValue(3);
    var lateArrival = List.of(piece(9, 1, 1), piece(5, 3, 1));
    assertThat(Levels.of(LevelRule.of(NEWEST), lateArrival)).hasValue(1);
  }

  @Test
  void worked_examples_of_the_mean() {
    assertThat(level(MEAN, 1, 3, 2)).hasValue(2);
    assertThat(level(MEAN, 2, 3)).as("2.5 goes down").hasValue(2);
    assertThat(level(MEAN, 2, 3, 3)).as("2.67").hasValue(3);
    var weighted = List.of(piece(1, 0, 1), piece(2, 3, 3));
    assertThat(Levels.of(LevelRule.of(MEAN), weighted)).as("9/4 = 2.25").hasValue(2);
  }

  @Test
  void worked_examples_of_recency_weighting() {
    assertThat(level(RECENCY, 3)).as("a single piece counts whole").hasValue(3);
    assertThat(level(RECENCY, 0, 0, 3)).as("3·1/(1 + 0.71 + 0.5) = 1.36").hasValue(1);
    assertThat(level(RECENCY, 3, 0, 3, 3)).as("2.15 with 1, 0.71, 0.5 and 0.35").hasValue(2);
    var everyPiece = new LevelMethod.RecencyWeighted(1);
    assertThat(level(everyPiece, 0, 0, 3)).as("3·1/(1 + 0.5 + 0.25) = 1.71").hasValue(2);
    var weighted = List.of(piece(1, 0, 3), piece(2, 2, 1), piece(3, 3, 9));
    assertThat(Levels.reckon(LevelRule.of(everyPiece), weighted).value())
        .as("(9·1·3 + 1·0.5·2 + 3·0.25·0) / (9 + 0.5 + 0.75)")
        .isCloseTo(28 / 10.25, Offset.offset(1e-9));
  }

  @Test
  void recency_goes_by_the_moments_and_then_by_what_was_recorded_later() {
    var everyPiece = LevelRule.of(new LevelMethod.RecencyWeighted(1));
    var lateArrival = List.of(piece(9, 1, 1), piece(5, 3, 1));
    assertThat(Levels.reckon(everyPiece, lateArrival).value())
        .as("(1 + 3·0.5) / 1.5")
        .isCloseTo(2.5 / 1.5, Offset.offset(1e-9));
    var sameMoment = List.of(piece(5, 1, 1), piece(5, 3, 1));
    assertThat(Levels.reckon(everyPiece, sameMoment).value())
        .as("(3 + 1·0.5) / 1.5")
        .isCloseTo(3.5 / 1.5, Offset.offset(1e-9));
  }

  @Property
  void a_piece_weighs_half_of_one_that_is_as_many_pieces_newer(
      @ForAll @IntRange(min = 1, max = 6) int every,
      @ForAll @Size(min = 7, max = 20) List<@IntRange(max = 5) Integer> levels) {
    var shares =
        Levels.reckon(LevelRule.of(new LevelMethod.RecencyWeighted(every)), pieces(levels))
            .pieces();
    for (int p = every; p < shares.size(); p++)
      assertThat(shares.get(p).share() / shares.get(p - every).share())
          .isCloseTo(2, Offset.offset(1e-9));
  }

  @Test
  void worked_examples_of_secure() {
    assertThat(level(SECURE, 2)).as("one of two").isEmpty();
    assertThat(level(SECURE, 2, 2)).hasValue(2);
    assertThat(level(SECURE, 2, 2, 0)).as("still two of the last three").hasValue(2);
    assertThat(level(SECURE, 2, 2, 0, 0)).hasValue(0);
    assertThat(level(SECURE, 3, 2, 1)).as("the second highest").hasValue(2);
  }

  @Test
  void without_evidence_there_is_no_level() {
    for (LevelMethod method : List.of(NEWEST, BEST, MEAN, RECENCY, SECURE))
      assertThat(Levels.of(LevelRule.of(method), List.of())).isEmpty();
  }

  @Test
  void too_few_pieces_make_no_level_and_say_how_many_are_missing() {
    var rule = new LevelRule(BEST, 3, Optional.empty());
    assertThat(Levels.of(rule, pieces(List.of(3, 3)))).isEmpty();
    assertThat(Levels.reckon(rule, pieces(List.of(3, 3))).missing()).isEqualTo(1);
    assertThat(Levels.of(rule, pieces(List.of(1, 1, 1)))).hasValue(1);
  }

  @Test
  void evidence_from_before_the_date_is_left_out_and_said_to_be() {
    var rule = new LevelRule(BEST, 1, Optional.of(Instant.ofEpochMilli(2)));
    var reckoning = Levels.reckon(rule, pieces(List.of(3, 3, 1, 0)));
    assertThat(reckoning.level()).hasValue(1);
    assertThat(reckoning.pieces())
        .extracting(Levels.Counted::use)
        .containsExactly(
            Levels.Use.TOO_OLD, Levels.Use.TOO_OLD, Levels.Use.COUNTED, Levels.Use.PASSED_OVER);
  }

  @Test
  void methods_with_impossible_numbers_cannot_be_made() {
    for (Runnable impossible :
        List.<Runnable>of(
            () -> new LevelMethod.RecencyWeighted(0),
            () -> new LevelMethod.Secure(0, 3),
            () -> new LevelMethod.Secure(4, 3),
            () -> new LevelRule(BEST, 0, Optional.empty())))
      assertThatThrownBy(impossible::run).isInstanceOf(Refusal.class);
  }

  @Property
  void every_level_lies_between_the_lowest_and_the_highest_piece(
      @ForAll("methods") LevelMethod method,
      @ForAll @NotEmpty List<@IntRange(max = 5) Integer> levels) {
    level(method, levels)
        .ifPresent(
            level -> assertThat(level).isBetween(Collections.min(levels), Collections.max(levels)));
  }

  @Property
  void equal_pieces_give_their_level(
      @ForAll("methods") LevelMethod method,
      @ForAll @IntRange(max = 5) int level,
      @ForAll @IntRange(min = 5, max = 30) int n) {
    assertThat(level(method, Collections.nCopies(n, level))).hasValue(level);
  }

  @Property
  void another_piece_never_lowers_the_best(
      @ForAll @NotEmpty List<@IntRange(max = 5) Integer> levels,
      @ForAll @IntRange(max = 5) int more) {
    List<Integer> longer = new ArrayList<>(levels);
    longer.add(more);
    assertThat(level(BEST, longer).orElseThrow())
        .isGreaterThanOrEqualTo(level(BEST, levels).orElseThrow());
  }

  @Property
  void the_order_does_not_matter_for_best_and_mean(
      @ForAll @Size(min = 2, max = 10) List<@IntRange(max = 5) Integer> levels) {
    for (LevelMethod method : List.of(BEST, MEAN))
      assertThat(level(method, levels.reversed())).isEqualTo(level(method, levels));
  }

  @Property
  void pieces_before_the_last_ones_do_not_matter_to_secure(
      @ForAll @Size(min = 3, max = 10) List<@IntRange(max = 5) Integer> levels) {
    List<Integer> last = levels.subList(levels.size() - 3, levels.size());
    assertThat(level(SECURE, levels)).isEqualTo(level(SECURE, last));
  }

  @Property
  void a_higher_piece_in_the_place_of_a_lower_never_lowers_any_level(
      @ForAll("methods") LevelMethod method,
      @ForAll @NotEmpty List<@IntRange(max = 4) Integer> levels,
      @ForAll @IntRange(max = 1000) int which) {
    List<Integer> better = new ArrayList<>(levels);
    int place = which % levels.size();
    better.set(place, levels.get(place) + 1);
    assertThat(level(method, better).orElse(-1))
        .isGreaterThanOrEqualTo(level(method, levels).orElse(-1));
  }

  @Property
  void a_reckoning_agrees_with_the_level_and_its_shares_add_up(
      @ForAll("methods") LevelMethod method,
      @ForAll List<@IntRange(max = 5) Integer> levels,
      @ForAll @IntRange(min = 1, max = 4) int fewest) {
    var rule = new LevelRule(method, fewest, Optional.empty());
    var reckoning = Levels.reckon(rule, pieces(levels));
    assertThat(reckoning.level()).isEqualTo(Levels.of(rule, pieces(levels)));
    assertThat(reckoning.missing() == 0).isEqualTo(reckoning.level().isPresent());
    double sum = reckoning.pieces().stream().mapToDouble(Levels.Counted::share).sum();
    assertThat(sum).isCloseTo(reckoning.level().isPresent() ? 1 : 0, Offset.offset(1e-9));
    reckoning
        .level()
        .ifPresent(level ->
            assertThat(
                    reckoning.pieces().stream()
                        .mapToDouble(c -> c.share() * c.piece().level())
                        .sum())
                .as("the value is what the shares make of the levels")
                .isCloseTo(reckoning.value(), Offset.offset(1e-9)));
  }

  @Test
  void what_would_bring_mastery_is_the_least_that_does() {
    assertThat(Levels.wouldBringMastery(LevelRule.of(NEWEST), SCALE, pieces(List.of(3, 1))))
        .contains(new Levels.Change(1, 2, 2));
    assertThat(Levels.wouldBringMastery(LevelRule.of(MEAN), SCALE, pieces(List.of(0, 1))))
        .as("(0 + 1 + 3 + 3) / 4 = 1.75 where 2 and 2 make 1.25 only")
        .contains(new Levels.Change(2, 3, 2));
    assertThat(Levels.wouldBringMastery(LevelRule.of(SECURE), SCALE, pieces(List.of(2))))
        .contains(new Levels.Change(1, 2, 2));
    assertThat(Levels.wouldBringMastery(LevelRule.of(BEST), SCALE, pieces(List.of(2)))).isEmpty();
  }

  @Property
  void what_is_said_to_bring_mastery_brings_it_and_less_does_not(
      @ForAll("methods") LevelMethod method,
      @ForAll @Size(max = 6) List<@IntRange(max = 3) Integer> levels) {
    var rule = LevelRule.of(method);
    Levels.wouldBringMastery(rule, SCALE, pieces(levels))
        .ifPresent(change -> {
          List<Integer> longer = new ArrayList<>(levels);
          for (int n = 0; n < change.pieces() - 1; n++) longer.add(SCALE.top());
          assertThat(level(method, longer).orElse(-1))
              .as("one piece fewer, even of the best")
              .isLessThan(SCALE.mastery());
          longer = new ArrayList<>(levels);
          for (int n = 0; n < change.pieces(); n++) longer.add(change.level());
          assertThat(level(method, longer)).hasValue(change.result());
          assertThat(change.result()).isGreaterThanOrEqualTo(SCALE.mastery());
        });
  }

  @Test
  void no_single_piece_takes_mastery_from_the_best() {
    assertThat(Levels.wouldTakeMastery(LevelRule.of(BEST), SCALE, pieces(List.of(2)))).isEmpty();
    assertThat(Levels.wouldTakeMastery(LevelRule.of(NEWEST), SCALE, pieces(List.of(2))))
        .contains(new Levels.Change(1, 1, 1));
    assertThat(Levels.wouldTakeMastery(LevelRule.of(SECURE), SCALE, pieces(List.of(2, 2))))
        .as("two of three stand")
        .isEmpty();
  }

  @Property
  void a_quiz_score_is_mastery_exactly_from_the_pass_mark(
      @ForAll @IntRange(max = 100) int score, @ForAll @IntRange(min = 1, max = 100) int pass) {
    int level = Levels.ofScore(SCALE, score / 100.0, pass / 100.0);
    assertThat(level == SCALE.mastery()).isEqualTo(score >= pass);
    assertThat(level).isBetween(0, SCALE.mastery());
  }

  @Test
  void below_the_pass_mark_the_lower_levels_have_equal_shares() {
    assertThat(Levels.ofScore(SCALE, 0.29, 0.6)).isEqualTo(0);
    assertThat(Levels.ofScore(SCALE, 0.3, 0.6)).as("half of the pass mark").isEqualTo(1);
    assertThat(Levels.ofScore(SCALE, 0.59, 0.6)).isEqualTo(1);
    assertThat(Levels.ofScore(SCALE, 0.6, 0.6)).isEqualTo(2);
    assertThat(Levels.ofScore(SCALE, 0, 0)).as("every score passes").isEqualTo(2);
  }

  @Test
  void a_level_is_worth_its_points_and_its_place_on_the_scale() {
    assertThat(SCALE.value(0)).isEqualTo(new Scale.Value(1, 0, false));
    assertThat(SCALE.value(1)).isEqualTo(new Scale.Value(2, 1 / 3.0, false));
    assertThat(SCALE.value(2)).isEqualTo(new Scale.Value(3, 2 / 3.0, true));
    assertThat(SCALE.value(3)).isEqualTo(new Scale.Value(4, 1, true));
  }
}
