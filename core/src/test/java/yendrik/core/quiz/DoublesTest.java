package yendrik.core.quiz;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.AlphaChars;
import net.jqwik.api.constraints.Size;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;

class DoublesTest {
  @Test
  void nearly_the_same_words_in_any_order_are_likely_the_same_question() {
    var doubles =
        Doubles.among(
            List.of(
                "Which way does the left pedal unscrew?",
                "Which grease is for a headset?",
                "The left pedal does unscrew which way",
                "",
                "…"));
    assertThat(doubles).containsExactly(List.of(2), List.of(), List.of(0), List.of(), List.of());
  }

  @Property
  void likeness_is_mutual_and_no_question_is_its_own_double(
      @ForAll @Size(max = 6) List<@AlphaChars @StringLength(max = 3) String> texts) {
    var doubles = Doubles.among(texts);
    for (int a = 0; a < texts.size(); a++) {
      assertThat(doubles.get(a)).doesNotContain(a).doesNotHaveDuplicates();
      for (int b : doubles.get(a)) assertThat(doubles.get(b)).contains(a);
    }
    List<String> twice = new ArrayList<>(texts);
    twice.add("left pedal");
    twice.add("Pedal, left!");
    assertThat(Doubles.among(twice).getLast()).contains(twice.size() - 2);
  }
}
