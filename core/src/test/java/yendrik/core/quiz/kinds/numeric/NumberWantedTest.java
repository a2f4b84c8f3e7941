package yendrik.core.quiz.kinds.numeric;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.refused;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import yendrik.core.quiz.Mark;

class NumberWantedTest {
  private static boolean right(NumberWanted wanted, double given) {
    return wanted.mark(new NumberGiven(given)).equals(Mark.WHOLE);
  }

  @Test
  void the_ends_of_its_tolerance_belong_to_it_as_they_are_written() {
    var torque = new NumberWanted(12, 0.5, false, "Nm");
    for (double taken : new double[] {11.5, 12, 12.5}) assertThat(right(torque, taken)).isTrue();
    for (double off : new double[] {11.49, 12.51, -12}) assertThat(right(torque, off)).isFalse();
    assertThat(right(new NumberWanted(0.1, 0.2, false, ""), 0.3))
        .as("not what doubles make of 0.3 - 0.1")
        .isTrue();
    assertThat(right(new NumberWanted(6, 0, false, "Nm"), 6)).isTrue();
  }

  @Test
  void a_tolerance_in_percent_is_of_the_number_whatever_its_sign() {
    var pressure = new NumberWanted(-200, 5, true, "kPa");
    assertThat(right(pressure, -190)).isTrue();
    assertThat(right(pressure, -210)).isTrue();
    assertThat(right(pressure, -189.9)).isFalse();
    assertThat(right(new NumberWanted(0, 5, true, ""), 0)).isTrue();
  }

  @Test
  void it_says_what_it_lacks_and_takes_nothing_until_then() {
    assertThat(new NumberWanted(1, 0, false, "").lacks()).isEmpty();
    var none = new NumberWanted(Double.NaN, 0, false, "");
    assertThat(none.lacks()).containsExactly(NumberWanted.Lacks.NUMBER);
    assertThat(right(none, 0)).isFalse();
    assertThat(new NumberWanted(1, -1, true, "").lacks())
        .containsExactly(NumberWanted.Lacks.TOLERANCE);
    assertThat(refused(() -> new NumberGiven(Double.POSITIVE_INFINITY))).contains("finite");
  }

  @Property
  void what_is_as_far_off_on_the_other_side_is_marked_alike(
      @ForAll @IntRange(min = -10_000, max = 10_000) int cents,
      @ForAll @IntRange(max = 500) int off,
      @ForAll @IntRange(max = 500) int tolerance) {
    var wanted = new NumberWanted(cents / 100.0, tolerance / 100.0, false, "");
    boolean above = right(wanted, (cents + off) / 100.0);
    assertThat(right(wanted, (cents - off) / 100.0)).isEqualTo(above);
    assertThat(above).isEqualTo(off <= tolerance);
  }
}
