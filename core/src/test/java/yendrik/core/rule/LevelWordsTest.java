package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.Workshop;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.OutcomeId;
import yendrik.core.kind.Strands;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.Evidence;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.core.outcome.Outcome;
import yendrik.core.record.Fact;
import yendrik.core.rule.words.LevelWords;

class LevelWordsTest {
  private static final LevelWords WORDS = new LevelWords(ENGLISH);
  private static final OutcomeId WHOLE = new OutcomeId(9);

  private static CourseDesign with(Outcome... more) {
    CourseDesign d = design();
    List<Outcome> outcomes = new ArrayList<>(d.outcomes());
    outcomes.addAll(List.of(more));
    return CourseDesignBuilder.builder(d).outcomes(outcomes).build();
  }

  private static Outcome rated(LevelRule rule) {
    return new Outcome(WHOLE, "WHOLE", "Whole", "", SCALE, rule, Optional.empty());
  }

  private static Outcome made(Composition.How how) {
    var of = new Composition(List.of(BRAKE, SAFE), how);
    return new Outcome(
        WHOLE, "WHOLE", "Whole", "", SCALE, LevelRule.of(new LevelMethod.Best()), Optional.of(of));
  }

  private static String method(Outcome outcome) {
    return WORDS.method(outcome, new CourseIndex(with(outcome)));
  }

  private static List<Evidence> pieces(int... levels) {
    List<Evidence> pieces = new ArrayList<>();
    for (int level : levels)
      pieces.add(new Evidence(pieces.size(), level, 1, Optional.empty(), 0, Optional.empty()));
    return pieces;
  }

  private static Optional<String> sum(LevelMethod method, List<Evidence> pieces) {
    return WORDS.sum(LevelRule.of(method), SCALE, pieces);
  }

  /** What would change the level of WHOLE after ratings of BRAKE, SAFE and WHOLE by key. */
  private static List<String> change(Outcome whole, Fact.Rated... ratings) {
    var index = new CourseIndex(with(whole));
    var record = Strands.record(index, JUNO);
    var learner = new Workshop();
    for (Fact.Rated rating : ratings) record.take(learner.fact(rating));
    return WORDS.change(record, index.number(WHOLE));
  }

  private static Fact.Rated rating(OutcomeId outcome, int level) {
    return new Fact.Rated(outcome, level, Optional.empty(), 0);
  }

  @Test
  void every_method_is_said_with_its_numbers() {
    assertThat(method(rated(LevelRule.of(new LevelMethod.RecencyWeighted(2)))))
        .isEqualTo("Newer pieces count more: the weight halves with every 2 pieces.");
    assertThat(method(rated(LevelRule.of(new LevelMethod.RecencyWeighted(1)))))
        .isEqualTo("Newer pieces count more: the weight halves with every piece.");
    assertThat(method(rated(LevelRule.of(new LevelMethod.Secure(2, 3)))))
        .isEqualTo("The level that 2 of the last 3 pieces reach counts.");
    var since = Optional.of(Instant.parse("2026-10-31T23:00:00Z"));
    assertThat(method(rated(new LevelRule(new LevelMethod.Best(), 2, since))))
        .isEqualTo(
            "The best piece of evidence counts. From 2 pieces on. Evidence since Sun 1 Nov.");
  }

  @Test
  void outcomes_made_of_others_are_said_with_their_parts() {
    assertThat(method(made(new Composition.All())))
        .isEqualTo("At mastery when all of BRAKE, SAFE are.");
    assertThat(method(made(new Composition.AtLeast(1))))
        .isEqualTo("At mastery when at least 1 of BRAKE, SAFE are.");
    assertThat(method(made(new Composition.Lowest()))).startsWith("The lowest of BRAKE, SAFE");
  }

  @Test
  void sums_show_their_numbers_with_levels_from_1_on() {
    assertThat(sum(new LevelMethod.Mean(), pieces(1, 2)))
        .contains("(2 + 3) / 2 = 2.5, nearest level 2 of 4");
    assertThat(sum(new LevelMethod.RecencyWeighted(2), pieces(0, 1, 3)))
        .contains("(0.5·1 + 0.71·2 + 1·4) / 2.21 = 2.68, nearest level 3 of 4");
    assertThat(sum(new LevelMethod.RecencyWeighted(1), pieces(1, 3)))
        .contains("(0.5·2 + 1·4) / 1.5 = 3.33, nearest level 3 of 4");
  }

  @Test
  void weights_stand_in_the_sum_when_they_differ() {
    var weighted =
        List.of(
            new Evidence(1, 0, 1, Optional.empty(), 0, Optional.empty()),
            new Evidence(2, 3, 3, Optional.empty(), 0, Optional.empty()));
    assertThat(sum(new LevelMethod.Mean(), weighted))
        .contains("(1·1 + 3·4) / 4 = 3.25, nearest level 3 of 4");
  }

  @Test
  void there_is_no_sum_where_a_single_piece_gives_the_level() {
    assertThat(sum(new LevelMethod.Best(), pieces(1, 3))).isEmpty();
    assertThat(sum(new LevelMethod.MostRecent(), pieces(1, 3))).isEmpty();
    assertThat(sum(new LevelMethod.Mean(), pieces(2))).isEmpty();
    assertThat(sum(new LevelMethod.Mean(), List.of())).isEmpty();
  }

  @Test
  void what_would_change_a_level_is_said_as_a_next_step() {
    Outcome newest = rated(LevelRule.of(new LevelMethod.MostRecent()));
    assertThat(change(newest, rating(WHOLE, 1)))
        .containsExactly("1 more piece at “On my own” brings mastery.");
    assertThat(change(newest, rating(WHOLE, 2)))
        .containsExactly("A piece at “With help” would take mastery away.");
    Outcome best = rated(LevelRule.of(new LevelMethod.Best()));
    assertThat(change(best, rating(WHOLE, 2)))
        .containsExactly("No single piece of evidence can take mastery away.");
    Outcome mean = rated(LevelRule.of(new LevelMethod.Mean()));
    assertThat(change(mean, rating(WHOLE, 0), rating(WHOLE, 1)))
        .containsExactly("2 more pieces at “Can teach it” bring mastery.");
  }

  @Test
  void missing_pieces_are_said_first() {
    Outcome three = rated(new LevelRule(new LevelMethod.Best(), 3, Optional.empty()));
    assertThat(change(three, rating(WHOLE, 3)))
        .containsExactly(
            "2 more pieces before there is a level.",
            "2 more pieces at “On my own” bring mastery.");
  }

  @Test
  void of_an_outcome_made_of_others_the_lacking_parts_are_named() {
    Outcome all = made(new Composition.All());
    assertThat(change(all, rating(BRAKE, 1)))
        .containsExactly(
            "Not at mastery: BRAKE, at “With help”.", "Not at mastery: SAFE, no evidence yet.");
    assertThat(change(all, rating(BRAKE, 2), rating(SAFE, 3)))
        .containsExactly("All parts are at mastery.");
  }
}
