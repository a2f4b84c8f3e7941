package yendrik.core.quiz.kinds.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.kinds.order.OrderWanted.Thing;

class OrderWantedTest {
  private static OrderWanted wanted(int things, boolean inPart) {
    List<Thing> all = new ArrayList<>();
    for (int n = 0; n < things; n++) all.add(new Thing("" + (char) ('a' + n), "Thing " + n));
    return new OrderWanted(all, inPart);
  }

  private static double share(OrderWanted wanted, String... order) {
    return ((Mark.Marked) wanted.mark(new Ordered(List.of(order)))).share();
  }

  @Test
  void neighbours_that_stand_in_their_order_count_in_part() {
    assertThat(3 * share(wanted(4, true), "a", "b", "c", "d")).isEqualTo(3);
    assertThat(3 * share(wanted(4, true), "b", "c", "d", "a")).isEqualTo(2);
    assertThat(3 * share(wanted(4, true), "d", "c", "b", "a")).isZero();
    assertThat(3 * share(wanted(4, true), "a", "b")).as("left out").isEqualTo(1);
  }

  @Test
  void else_the_whole_order_is_right_or_nothing_is() {
    assertThat(share(wanted(4, false), "a", "b", "c", "d")).isEqualTo(1);
    assertThat(share(wanted(4, false), "a", "b", "d", "c")).isZero();
    assertThat(share(wanted(1, false), "a")).as("one thing has no order").isZero();
  }

  @Test
  void naming_one_thing_often_gains_nothing() {
    assertThat(3 * share(wanted(4, true), "a", "x", "a", "b", "b", "c")).isZero();
  }

  @Test
  void it_says_what_it_lacks() {
    assertThat(wanted(2, true).lacks()).isEmpty();
    assertThat(wanted(1, true).lacks()).containsExactly(OrderWanted.Lacks.THINGS);
    assertThat(new OrderWanted(List.of(new Thing("a", " "), new Thing("b", "")), true).lacks())
        .containsExactly(OrderWanted.Lacks.WORDS, OrderWanted.Lacks.SAME);
  }

  @Property
  void only_the_right_order_gives_the_whole(
      @ForAll @IntRange(min = 2, max = 8) int things, @ForAll long seed, @ForAll boolean inPart) {
    OrderWanted wanted = wanted(things, inPart);
    List<String> right = wanted.things().stream().map(Thing::id).toList();
    List<String> put = new ArrayList<>(right);
    Collections.shuffle(put, new Random(seed));
    assertThat(wanted.mark(new Ordered(put)).equals(Mark.WHOLE)).isEqualTo(put.equals(right));
  }
}
