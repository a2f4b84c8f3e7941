package yendrik.core.quiz.kinds.place;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.refused;

import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import yendrik.core.quiz.Mark;

class PlaceWantedTest {
  private static PlaceWanted.Area area(boolean round) {
    return new PlaceWanted.Area("a", "The jockey wheel", 0.2, 0.4, 0.1, 0.2, round);
  }

  private static PlaceWanted wanted(PlaceWanted.Area... areas) {
    return new PlaceWanted(Optional.of(7L), "A rear derailleur", List.of(areas));
  }

  private static boolean right(PlaceWanted wanted, double x, double y) {
    return wanted.mark(new Pointed(x, y)).equals(Mark.WHOLE);
  }

  @Test
  void an_area_takes_what_is_in_it_and_its_edges() {
    var square = wanted(area(false));
    assertThat(right(square, 0.2, 0.4)).isTrue();
    assertThat(right(square, 0.25, 0.5)).isTrue();
    assertThat(right(square, 0.3, 0.6)).as("although 0.2 + 0.1 is more than 0.3").isTrue();
    assertThat(right(square, 0.31, 0.5)).isFalse();
    assertThat(right(square, 0.25, 0.39)).isFalse();
  }

  @Test
  void a_round_one_leaves_its_corners_out() {
    var round = wanted(area(true));
    assertThat(right(round, 0.25, 0.5)).isTrue();
    assertThat(right(round, 0.2, 0.5)).isTrue();
    assertThat(right(round, 0.2, 0.4)).isFalse();
  }

  @Test
  void any_of_its_areas_will_do() {
    var two = wanted(area(false), new PlaceWanted.Area("b", "The other", 0.8, 0.8, 0.2, 0.2, true));
    assertThat(right(two, 0.25, 0.5)).isTrue();
    assertThat(right(two, 0.9, 0.9)).isTrue();
    assertThat(two.at(new Pointed(0.9, 0.9)).orElseThrow().called()).isEqualTo("The other");
    assertThat(right(two, 0.5, 0.5)).isFalse();
  }

  @Test
  void it_says_what_it_lacks() {
    assertThat(wanted(area(true)).lacks()).isEmpty();
    assertThat(new PlaceWanted(Optional.empty(), "", List.of()).lacks())
        .containsExactly(PlaceWanted.Lacks.PICTURE, PlaceWanted.Lacks.AREA);
    assertThat(new PlaceWanted(Optional.of(1L), " ", List.of(area(false))).lacks())
        .containsExactly(PlaceWanted.Lacks.DESCRIBED);
    assertThat(wanted(new PlaceWanted.Area("a", "", 0.5, 0.5, 0.6, 0.1, false)).lacks())
        .containsExactly(PlaceWanted.Lacks.CALLED, PlaceWanted.Lacks.OUTSIDE);
    assertThat(wanted(new PlaceWanted.Area("a", "A", Double.NaN, 0, 1, 1, false)).lacks())
        .containsExactly(PlaceWanted.Lacks.OUTSIDE);
    assertThat(refused(() -> new Pointed(1.01, 0))).isNotBlank();
    assertThat(refused(() -> new Pointed(0, Double.NaN))).isNotBlank();
  }

  @Property
  void a_round_area_takes_nothing_that_its_rectangle_does_not(
      @ForAll @IntRange(max = 100) int x, @ForAll @IntRange(max = 100) int y) {
    if (right(wanted(area(true)), x / 100.0, y / 100.0))
      assertThat(right(wanted(area(false)), x / 100.0, y / 100.0)).isTrue();
  }
}
