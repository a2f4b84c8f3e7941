package yendrik.core.quiz.kinds.gaps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import yendrik.core.quiz.Mark;

class GapTextTest {
  private static final GapText WHEEL =
      new GapText(
          "A rim [out of true|untrue] moves [sideways], a rim out of [round*] moves up.", false);

  private static double share(String... words) {
    return ((Mark.Marked) WHEEL.mark(new Filled(List.of(words)))).share();
  }

  @Test
  void each_gap_that_is_filled_rightly_gives_its_part() {
    assertThat(3 * share("untrue", "Sideways ", "up")).isEqualTo(2);
    assertThat(3 * share("Out of  true", "sideways", "roundness")).isEqualTo(3);
    assertThat(share()).isZero();
    assertThat(share("", "", "")).isZero();
    assertThat(3 * share("x", "sideways", "round", "round")).as("more than there are").isEqualTo(2);
  }

  @Test
  void it_is_taken_apart_as_it_is_written() {
    assertThat(WHEEL.around())
        .containsExactly("A rim ", " moves ", ", a rim out of ", " moves up.");
    assertThat(new GapText("[a] [[b] [", false).around()).containsExactly("", " [b] [");
    assertThat(new GapText("", false).around()).containsExactly("");
  }

  @Test
  void it_says_what_it_lacks() {
    assertThat(WHEEL.lacks()).isEmpty();
    assertThat(new GapText("No gap [[here]", false).lacks()).containsExactly(GapText.Lacks.GAPS);
    assertThat(new GapText("Of [true|] and [*]", true).lacks())
        .containsExactly(GapText.Lacks.FORMS, GapText.Lacks.ALL);
  }

  @Property
  void there_is_always_one_more_text_than_gaps_and_one_filled_more_never_lowers(
      @ForAll String source, @ForAll byte filled) {
    var text = new GapText(source, true);
    assertThat(text.around()).hasSize(text.gaps().size() + 1);
    double before = 0;
    List<String> words = new ArrayList<>();
    for (GapText.Gap gap : text.gaps()) {
      words.add((filled >> words.size() % 8 & 1) == 1 ? gap.forms().getFirst() : "");
      double now = ((Mark.Marked) text.mark(new Filled(words))).share();
      assertThat(now).isGreaterThanOrEqualTo(before);
      before = now;
    }
  }
}
