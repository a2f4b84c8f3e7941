package yendrik.core.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;
import yendrik.core.look.Look.Place;

class LookTest {
  private static Look look(Place place, Colour colour) {
    return new Look(Map.of(place, colour));
  }

  @Test
  void contrasts_are_those_of_the_guidelines() {
    Colour black = Colour.of("#000000");
    Colour white = Colour.of("#FFFFFF");
    assertThat(black.contrast(white)).isEqualTo(21, within(0.001));
    assertThat(white.contrast(white)).isEqualTo(1, within(0.001));
    assertThat(Colour.of("#767676").contrast(white)).isEqualTo(4.54, within(0.01));
    assertThat(Colour.of("#777777").contrast(white)).isEqualTo(4.48, within(0.01));
  }

  @Test
  void the_colours_that_ship_can_be_read() {
    assertThat(Arrays.asList(Place.values()))
        .allSatisfy(place -> look(place, place.shipped()).checked());
  }

  @Test
  void yellow_buttons_are_refused_with_a_colour_like_it() {
    assertThatThrownBy(() -> look(Place.ACT, Colour.of("#ffd400")).checked())
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("like");
  }

  @Test
  void a_pale_band_is_refused() {
    assertThatThrownBy(() -> look(Place.BAND, Colour.of("#9ad0ff")).checked())
        .isInstanceOf(Refusal.class);
  }

  @Test
  void only_six_digits_are_a_colour() {
    assertThatThrownBy(() -> Colour.of("red")).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> Colour.of("#12345")).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> Colour.of("#123456;")).isInstanceOf(Refusal.class);
    assertThat(Colour.of("#A02750").written()).isEqualTo("#a02750");
  }

  @Property
  void what_is_proposed_in_the_place_of_a_colour_is_taken(
      @ForAll Place place,
      @ForAll @IntRange(max = 255) int red,
      @ForAll @IntRange(max = 255) int green,
      @ForAll @IntRange(max = 255) int blue) {
    Colour colour = new Colour(red, green, blue);
    assertThat(Colour.of(colour.written())).isEqualTo(colour);
    try {
      look(place, colour).checked();
    } catch (Refusal refusal) {
      Matcher like = Pattern.compile("#[0-9a-f]{6}").matcher(refusal.getMessage());
      assertThat(like.find()).isTrue();
      look(place, Colour.of(like.group())).checked();
    }
  }
}
