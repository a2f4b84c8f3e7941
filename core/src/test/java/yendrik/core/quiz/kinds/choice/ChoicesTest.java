package yendrik.core.quiz.kinds.choice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import yendrik.core.quiz.ChoiceLack;
import yendrik.core.quiz.Mark;

class ChoicesTest {
  private static final Choices.Choice IN = new Choices.Choice("a", "Toe-in");
  private static final Choices.Choice OUT = new Choices.Choice("b", "Toe-out");

  @Test
  void the_right_choice_gives_the_whole_and_any_other_nothing() {
    var choices = new Choices(List.of(IN, OUT), "b");
    assertThat(choices.mark(new Chosen("b"))).isEqualTo(Mark.WHOLE);
    assertThat(choices.mark(new Chosen("a"))).isEqualTo(Mark.NOTHING);
    assertThat(choices.mark(new Chosen("z"))).isEqualTo(Mark.NOTHING);
  }

  @Test
  void a_choice_is_known_by_its_words() {
    var choices = new Choices(List.of(IN, OUT), "b");
    assertThat(choices.choice("a").map(Choices.Choice::text)).contains("Toe-in");
    assertThat(choices.choice("z")).isEmpty();
  }

  @Test
  void it_says_what_it_lacks() {
    assertThat(new Choices(List.of(IN, OUT), "a").lacks()).isEmpty();
    assertThat(new Choices(List.of(IN), "a").lacks()).containsExactly(ChoiceLack.CHOICES);
    assertThat(new Choices(List.of(IN, OUT), "z").lacks()).containsExactly(ChoiceLack.RIGHT);
    var wordless = new Choices(List.of(IN, new Choices.Choice("b", " ")), "a");
    assertThat(wordless.lacks()).containsExactly(ChoiceLack.WORDS);
  }
}
