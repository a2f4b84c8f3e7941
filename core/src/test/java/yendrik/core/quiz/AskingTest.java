package yendrik.core.quiz;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yendrik.core.Workshop.refused;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import yendrik.core.quiz.kinds.statement.Statement;

class AskingTest {
  private static Question question(int n) {
    return new Question(
        "b" + n, "Is it " + n + "?", 1, "", Optional.empty(), new Statement(/* isTrue= */ true));
  }

  private static List<Question> pool(int from, int to) {
    return IntStream.range(from, to).mapToObj(AskingTest::question).toList();
  }

  private static List<String> ids(Quiz quiz) {
    return quiz.questions().stream().map(Question::id).toList();
  }

  @Property
  void an_attempt_asks_the_same_for_as_long_as_it_lives_and_nothing_twice(
      @ForAll long seed,
      @ForAll @IntRange(max = 4) int own,
      @ForAll @IntRange(min = 1, max = 5) int first,
      @ForAll @IntRange(min = 1, max = 5) int second) {
    var asking =
        new Asking(
            pool(0, own),
            List.of(new Draw("d1", first, 2, pool(0, 9)), new Draw("d2", second, 3, pool(5, 15))));
    Quiz dealt = asking.dealt(seed);
    assertThat(ids(dealt)).isEqualTo(ids(asking.dealt(seed))).doesNotHaveDuplicates();
    assertThat(ids(asking.all())).containsAll(ids(dealt));
    if (asking.lacks().isEmpty()) {
      assertThat(dealt.questions()).hasSize(own + first + second).hasSize(asking.count());
      assertThat(dealt.points())
          .isCloseTo(own + first * 2 + second * 3, within(1e-9))
          .isCloseTo(asking.points(), within(1e-9));
    }
  }

  @Test
  void other_attempts_ask_others_and_in_time_all_of_them() {
    var asking = new Asking(List.of(), List.of(new Draw("d", 3, 1, pool(0, 8))));
    var seen =
        IntStream.range(0, 60).mapToObj(asking::dealt).flatMap(q -> ids(q).stream()).distinct();
    assertThat(seen).hasSize(8);
  }

  @Test
  void a_draw_says_that_it_is_empty_or_finds_too_few() {
    var asking =
        new Asking(
            pool(0, 2),
            List.of(
                new Draw("d1", 3, 1, pool(0, 5)),
                new Draw("d2", 1, 1, pool(2, 5)),
                new Draw("d3", 4, 0, pool(2, 8))));
    assertThat(asking.lacks().keySet()).containsExactly(1, 2);
    assertThat(asking.lacks().get(1)).containsExactly(Draw.Lacks.POOL);
    assertThat(asking.lacks().get(2)).containsExactly(Draw.Lacks.ENOUGH, Draw.Lacks.POINTS);
    assertThat(refused(() -> new Draw("d", 0, 1, List.of()))).contains("from 1 to 100");
  }
}
