package yendrik.core.quiz.kinds.several;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yendrik.core.Workshop.refused;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import yendrik.core.quiz.ChoiceLack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.kinds.several.SeveralChoices.Choice;

class SeveralChoicesTest {
  private static final SeveralChoices PADS =
      new SeveralChoices(
          List.of(
              new Choice("a", "Worn past the grooves", 0.5),
              new Choice("b", "Glazed", 0.5),
              new Choice("c", "Black", -0.5),
              new Choice("d", "Rubber", -0.5)));

  private static double share(SeveralChoices asked, String... chosen) {
    return ((Mark.Marked) asked.mark(new SeveralChosen(Set.of(chosen)))).share();
  }

  @Test
  void right_ones_add_and_wrong_ones_take_away_and_never_below_nothing() {
    assertThat(4 * share(PADS, "a")).isEqualTo(2);
    assertThat(4 * share(PADS, "a", "c")).isZero();
    assertThat(4 * share(PADS, "a", "b")).isEqualTo(4);
    assertThat(4 * share(PADS, "a", "b", "d")).isEqualTo(2);
    assertThat(4 * share(PADS, "c", "d")).isZero();
    assertThat(4 * share(PADS)).isZero();
    assertThat(4 * share(PADS, "a", "z")).as("one that is not there").isEqualTo(2);
  }

  @Test
  void thirds_make_a_whole() {
    List<Choice> thirds = new ArrayList<>();
    for (String id : List.of("a", "b", "c")) thirds.add(new Choice(id, id, 1 / 3.0));
    var asked = new SeveralChoices(thirds);
    assertThat(asked.mark(new SeveralChosen(Set.of("a", "b", "c")))).isEqualTo(Mark.WHOLE);
    assertThat(share(asked, "a", "c")).isCloseTo(2 / 3.0, within(1e-12));
  }

  @Test
  void it_says_what_it_lacks() {
    assertThat(PADS.lacks()).isEmpty();
    assertThat(new SeveralChoices(List.of(new Choice("a", "Wet", 1))).lacks())
        .containsExactly(ChoiceLack.CHOICES);
    assertThat(
            new SeveralChoices(List.of(new Choice("a", " ", 0), new Choice("b", "Dry", -1)))
                .lacks())
        .containsExactly(ChoiceLack.WORDS, ChoiceLack.RIGHT);
    assertThat(refused(() -> new Choice("a", "Wet", 1.1))).contains("from -1 to 1");
  }

  @Provide
  Arbitrary<SeveralChoices> asked() {
    return Arbitraries.integers()
        .between(-4, 4)
        .map(n -> n / 4.0)
        .list()
        .ofMinSize(2)
        .ofMaxSize(8)
        .map(shares -> {
          List<Choice> choices = new ArrayList<>();
          for (double share : shares) choices.add(new Choice("c" + choices.size(), "?", share));
          return new SeveralChoices(choices);
        });
  }

  private static Set<String> chosen(SeveralChoices asked, int bits) {
    List<String> ids = new ArrayList<>();
    for (int n = 0; n < asked.choices().size(); n++)
      if ((bits >> n & 1) == 1) ids.add(asked.choices().get(n).id());
    return Set.copyOf(ids);
  }

  @Property
  void a_right_choice_more_never_lowers_and_a_wrong_one_more_never_raises(
      @ForAll("asked") SeveralChoices asked, @ForAll byte bits) {
    Set<String> some = chosen(asked, bits);
    double before = share(asked, some.toArray(String[]::new));
    for (Choice c : asked.choices()) {
      if (some.contains(c.id())) continue;
      List<String> more = new ArrayList<>(some);
      more.add(c.id());
      double after = share(asked, more.toArray(String[]::new));
      if (c.right()) assertThat(after).isGreaterThanOrEqualTo(before);
      else assertThat(after).isLessThanOrEqualTo(before);
    }
  }

  @Property
  void all_right_ones_and_no_other_give_the_whole_in_whatever_order_they_are_dealt(
      @ForAll("asked") SeveralChoices asked, @ForAll long seed, @ForAll byte bits) {
    List<Choice> dealt = new ArrayList<>(asked.choices());
    Collections.shuffle(dealt, new Random(seed));
    var shuffled = new SeveralChoices(dealt);
    var answer = new SeveralChosen(chosen(asked, bits));
    assertThat(((Mark.Marked) shuffled.mark(answer)).share())
        .isCloseTo(((Mark.Marked) asked.mark(answer)).share(), within(1e-12));
    String[] right = dealt.stream().filter(Choice::right).map(Choice::id).toArray(String[]::new);
    assertThat(share(shuffled, right)).isEqualTo(right.length == 0 ? 0 : 1);
  }
}
