package yendrik.core.rubric;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.BRAKE;
import static yendrik.core.Workshop.SAFE;
import static yendrik.core.Workshop.refused;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.RubricId;
import yendrik.core.rubric.Rubric.Criterion;
import yendrik.core.rubric.Rubric.Level;
import yendrik.core.rubric.Rubric.Met;

/** What a filled-in rubric comes to. */
class RubricTest {
  private static Level level(int key, double points, Integer standsFor) {
    return new Level(key, "level " + key, "", points, Optional.ofNullable(standsFor));
  }

  private static Criterion criterion(
      int key, boolean counts, Optional<OutcomeId> outcome, Level... levels) {
    return new Criterion(key, "criterion " + key, "", counts, outcome, List.of(levels));
  }

  /** Two that count, one of them for BRAKE; and one that only gives evidence of SAFE. */
  private static final Rubric JOB_CARD =
      new Rubric(
          new RubricId(1),
          "Job card",
          List.of(
              criterion(
                  1,
                  true,
                  Optional.of(BRAKE),
                  level(0, 0, 0),
                  level(1, 4, 1),
                  level(2, 8, 2),
                  level(3, 10, null)),
              criterion(2, true, Optional.empty(), level(0, 0, null), level(1, 5, null)),
              criterion(3, false, Optional.of(SAFE), level(0, 7, 0), level(1, 9, 2))));

  private static Met met(int criterion, int level) {
    return new Met(criterion, level, "");
  }

  @Test
  void the_best_levels_of_what_counts_make_the_whole() {
    assertThat(JOB_CARD.of()).isEqualTo(15);
  }

  @Test
  void points_add_up_over_the_criteria_that_count_and_missing_ones_are_told() {
    var score = JOB_CARD.score(List.of(met(1, 2), met(3, 1)));
    assertThat(score.points()).isEqualTo(8);
    assertThat(score.of()).isEqualTo(15);
    assertThat(score.missing()).isEqualTo(1);
    assertThat(score.share()).isEqualTo(8.0 / 15);
  }

  @Test
  void evidence_comes_from_criteria_with_an_outcome_also_from_those_that_do_not_count() {
    var shown =
        JOB_CARD.evidence(List.of(new Met(3, 1, "Cleared the floor."), met(1, 1), met(2, 1)));
    assertThat(shown)
        .containsExactly(
            new Rubric.Shown(1, BRAKE, 1, ""), new Rubric.Shown(3, SAFE, 2, "Cleared the floor."));
  }

  @Test
  void a_level_that_stands_for_nothing_gives_points_and_no_evidence() {
    assertThat(JOB_CARD.evidence(List.of(met(1, 3)))).isEmpty();
    assertThat(JOB_CARD.score(List.of(met(1, 3))).points()).isEqualTo(10);
  }

  @Test
  void a_rubric_without_points_has_no_score() {
    var words =
        new Rubric(
            new RubricId(2),
            "Words only",
            List.of(criterion(1, true, Optional.empty(), level(0, 0, null), level(1, 0, null))));
    assertThat(words.score(List.of(met(1, 1))).share()).isZero();
    assertThat(new Rubric(new RubricId(3), "Empty", List.of()).of()).isZero();
  }

  @Test
  void what_the_rubric_does_not_have_is_refused_by_name() {
    assertThat(refused(() -> JOB_CARD.score(List.of(met(9, 0)))))
        .isEqualTo("“Job card” has no criterion 9.");
    assertThat(refused(() -> JOB_CARD.score(List.of(met(2, 7)))))
        .isEqualTo("“criterion 2” has no level 7.");
    assertThat(refused(() -> JOB_CARD.evidence(List.of(met(2, 0), met(2, 1)))))
        .isEqualTo("“criterion 2” is assessed twice.");
  }

  @Test
  void keys_are_unique_and_a_criterion_has_two_levels_at_least() {
    assertThat(refused(() -> criterion(1, true, Optional.empty(), level(0, 0, null))))
        .contains("two levels");
    assertThat(
            refused(
                () -> criterion(1, true, Optional.empty(), level(4, 0, null), level(4, 1, null))))
        .contains("key 4");
    var one = criterion(1, true, Optional.empty(), level(0, 0, null), level(1, 1, null));
    assertThat(refused(() -> new Rubric(new RubricId(1), "Twice", List.of(one, one))))
        .contains("key 1");
  }

  private static Rubric any(Random random) {
    List<Criterion> criteria = new ArrayList<>();
    for (int c = 0; c < 1 + random.nextInt(6); c++) {
      List<Level> levels = new ArrayList<>();
      for (int l = 0; l < 2 + random.nextInt(4); l++)
        levels.add(level(l, random.nextInt(11), random.nextBoolean() ? l : null));
      var outcome = random.nextBoolean() ? Optional.of(BRAKE) : Optional.<OutcomeId>empty();
      criteria.add(new Criterion(c, "criterion " + c, "", random.nextInt(4) > 0, outcome, levels));
    }
    return new Rubric(new RubricId(1), "any", criteria);
  }

  private static List<Met> some(Rubric rubric, Random random) {
    List<Met> met = new ArrayList<>();
    for (Criterion c : rubric.criteria())
      if (random.nextInt(4) > 0) met.add(met(c.key(), random.nextInt(c.levels().size())));
    return met;
  }

  @Property
  void a_score_lies_between_nothing_and_the_whole(@ForAll Random random) {
    Rubric rubric = any(random);
    var score = rubric.score(some(rubric, random));
    assertThat(score.points()).isBetween(0.0, rubric.of());
    assertThat(score.share()).isBetween(0.0, 1.0);
  }

  @Property
  void the_best_levels_everywhere_are_the_whole_score(@ForAll Random random) {
    Rubric rubric = any(random);
    List<Met> best =
        rubric.criteria().stream()
            .map(c ->
                c.levels().stream()
                    .max(java.util.Comparator.comparingDouble(Level::points))
                    .map(l -> met(c.key(), l.key()))
                    .orElseThrow())
            .toList();
    assertThat(rubric.score(best).points()).isEqualTo(rubric.of());
    assertThat(rubric.score(best).missing()).isZero();
  }

  @Property
  void the_order_of_what_was_met_does_not_matter(@ForAll Random random) {
    Rubric rubric = any(random);
    List<Met> met = some(rubric, random);
    List<Met> shuffled = new ArrayList<>(met);
    Collections.shuffle(shuffled, random);
    assertThat(rubric.score(shuffled)).isEqualTo(rubric.score(met));
    assertThat(rubric.evidence(shuffled)).isEqualTo(rubric.evidence(met));
  }

  @Property
  void meeting_one_more_criterion_never_lowers_the_score(@ForAll Random random) {
    Rubric rubric = any(random);
    List<Met> met = some(rubric, random);
    if (met.isEmpty()) return;
    List<Met> fewer = met.subList(0, met.size() - 1);
    assertThat(rubric.score(met).points()).isGreaterThanOrEqualTo(rubric.score(fewer).points());
    assertThat(rubric.evidence(met)).containsAll(rubric.evidence(fewer));
  }
}
