package yendrik.core.quiz.figures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalLong;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class FiguresTest {
  private static Item item(String question, double points) {
    return item(question, points, OptionalLong.empty());
  }

  private static Item item(String question, double points, OptionalLong seconds) {
    return new Item(question, points, 1, points > 0 || question.equals("b"), seconds);
  }

  /** As many attempts as rows; a letter that is there was answered rightly. */
  private static List<List<Item>> attempts(String... right) {
    List<List<Item>> all = new ArrayList<>();
    for (String one : right)
      all.add(List.of("a", "b", "c").stream().map(q -> item(q, one.contains(q) ? 1 : 0)).toList());
    return all;
  }

  @Test
  void questions_are_counted_by_how_they_were_answered() {
    Figures figures = Figures.of(attempts("abc", "ab", "a", ""));
    assertThat(figures.attempts()).isEqualTo(4);
    assertThat(figures.mean().getAsDouble()).isCloseTo(0.5, within(1e-9));
    assertThat(figures.median().getAsDouble()).isCloseTo(0.5, within(1e-9));
    assertThat(figures.scores()).containsExactly(1, 0, 0, 1, 0, 0, 1, 0, 0, 1);
    Figures.OfQuestion b = figures.questions().get(1);
    assertThat(b.right()).isEqualTo(2);
    assertThat(b.wrong()).isEqualTo(2);
    assertThat(b.facility()).isEqualTo(0.5);
    assertThat(figures.questions().get(2).unanswered()).isEqualTo(3);
    assertThat(b.discrimination()).as("of so few").isEmpty();
    assertThat(figures.reliability()).as("of so few").isEmpty();
  }

  @Test
  void discrimination_and_reliability_are_as_worked_out_by_hand() {
    List<List<Item>> all = attempts("abc", "abc", "abc", "ab", "ab", "a", "a", "", "", "c");
    Figures figures = Figures.of(all);
    // r of (1,1,1,1,1,1,1,0,0,0) and the rests (2,2,2,1,1,0,0,0,0,1) / 2
    assertThat(figures.questions().getFirst().discrimination().getAsDouble())
        .isCloseTo(0.85 / Math.sqrt(2.1 * 1.725), within(1e-9));
    // variances 0.2333, 0.2778, 0.2667; totals 3,3,3,2,2,1,1,0,0,1 have 1.3778
    assertThat(figures.reliability().getAsDouble())
        .isCloseTo(1.5 * (1 - (0.23333 + 0.27778 + 0.26667) / 1.37778), within(1e-3));
  }

  @Test
  void without_attempts_or_with_draws_there_is_less_to_say() {
    assertThat(Figures.of(List.of()).mean()).isEmpty();
    assertThat(Figures.of(List.of(List.of())).attempts()).isZero();
    List<List<Item>> drawn = new ArrayList<>(attempts("abc", "ab", "a", "", "c"));
    drawn.addAll(attempts("abc", "ab", "a", "", "c"));
    drawn.add(List.of(item("a", 1), item("d", 0)));
    assertThat(Figures.of(drawn).reliability()).isEmpty();
    assertThat(Figures.of(drawn).questions())
        .extracting(Figures.OfQuestion::asked)
        .containsExactly(11, 10, 10, 1);
  }

  @Test
  void the_time_of_a_question_is_the_middle_one_of_those_that_are_known() {
    List<List<Item>> all = new ArrayList<>(attempts("a"));
    for (long seconds : List.of(20L, 900L, 30L, 40L))
      all.add(List.of(item("a", 1, OptionalLong.of(seconds))));
    Figures figures = Figures.of(all);
    assertThat(figures.questions().getFirst().seconds()).hasValue(35);
    assertThat(figures.questions().get(1).seconds()).as("never known").isEmpty();
  }

  @Property
  void figures_stay_in_their_ranges_and_no_order_matters(
      @ForAll @Size(min = 1, max = 30) List<@IntRange(max = 7) Integer> answered,
      @ForAll long seed) {
    List<List<Item>> all = new ArrayList<>();
    for (int bits : answered)
      all.add(
          IntStream.range(0, 3)
              .mapToObj(q ->
                  new Item(
                      "q" + q,
                      (bits >> q & 1) * (q + 1) / 2.0,
                      q + 1,
                      (bits & 1) == 0,
                      OptionalLong.of(bits)))
              .toList());
    Figures figures = Figures.of(all);
    assertThat(figures.scores().stream().mapToInt(n -> n).sum()).isEqualTo(all.size());
    for (Figures.OfQuestion q : figures.questions()) {
      assertThat(q.right() + q.partly() + q.wrong() + q.unanswered()).isEqualTo(q.asked());
      assertThat(q.facility()).isBetween(0.0, 1.0);
      assertThat(q.seconds().getAsDouble()).isBetween(0.0, 7.0);
      q.discrimination().ifPresent(r -> assertThat(r).isBetween(-1.0, 1.0));
    }
    figures.reliability().ifPresent(alpha -> assertThat(alpha).isLessThanOrEqualTo(1 + 1e-9));
    List<List<Item>> mixed = new ArrayList<>(all);
    Collections.shuffle(mixed, new Random(seed));
    Figures again = Figures.of(mixed);
    assertThat(again.scores()).isEqualTo(figures.scores());
    assertThat(again.mean().getAsDouble()).isCloseTo(figures.mean().getAsDouble(), within(1e-9));
  }
}
