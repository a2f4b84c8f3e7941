package yendrik.core.quiz.kinds.match;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.kinds.match.PairsWanted.Pair;

class PairsWantedTest {
  private static final PairsWanted TOOLS =
      new PairsWanted(
          List.of(
              new Pair("a", "Chain", "Chain tool"),
              new Pair("b", "Nipple", "Spoke key"),
              new Pair("c", "Cassette", "Lockring tool"),
              new Pair("d", "Rotor lockring", "Lockring tool")),
          List.of("Pin spanner"));

  private static double share(Map<String, String> pairs) {
    return ((Mark.Marked) TOOLS.mark(new Matched(pairs))).share();
  }

  @Test
  void each_pair_that_is_found_gives_its_part() {
    Map<String, String> three =
        Map.of("a", "Chain tool", "b", "Spoke key", "c", "Lockring tool", "d", "Pin spanner");
    assertThat(4 * share(three)).isEqualTo(3);
    assertThat(4 * share(Map.of("a", "Spoke key", "b", "Chain tool"))).isZero();
    assertThat(share(Map.of("z", "Chain tool"))).isZero();
  }

  @Test
  void one_end_may_belong_to_several_and_is_offered_once() {
    assertThat(TOOLS.ends())
        .containsExactly("Chain tool", "Spoke key", "Lockring tool", "Pin spanner");
    assertThat(4 * share(Map.of("c", "Lockring tool", "d", "Lockring tool"))).isEqualTo(2);
  }

  @Test
  void it_says_what_it_lacks() {
    assertThat(TOOLS.lacks()).isEmpty();
    assertThat(new PairsWanted(List.of(new Pair("a", "Rim", "")), List.of("x")).lacks())
        .containsExactly(PairsWanted.Lacks.PAIRS, PairsWanted.Lacks.WORDS);
    var same =
        new PairsWanted(List.of(new Pair("a", "Rim", "x"), new Pair("b", "Rim", "y")), List.of());
    assertThat(same.lacks()).containsExactly(PairsWanted.Lacks.SAME);
    assertThat(same.mark(new Matched(Map.of()))).isEqualTo(Mark.NOTHING);
    assertThat(new PairsWanted(List.of(), List.of()).mark(new Matched(Map.of())))
        .isEqualTo(Mark.NOTHING);
  }

  @Property
  void a_right_pair_more_never_lowers(@ForAll byte found) {
    Map<String, String> pairs = new HashMap<>();
    double before = 0;
    for (int n = 0; n < TOOLS.pairs().size(); n++) {
      Pair pair = TOOLS.pairs().get(n);
      pairs.put(pair.id(), (found >> n & 1) == 1 ? pair.ends() : "Pin spanner");
      double now = share(pairs);
      assertThat(now).isGreaterThanOrEqualTo(before);
      before = now;
    }
    assertThat(before == 1).isEqualTo((found & 15) == 15);
  }
}
