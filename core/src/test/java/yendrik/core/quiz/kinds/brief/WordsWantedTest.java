package yendrik.core.quiz.kinds.brief;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.refused;

import java.util.List;
import java.util.regex.Pattern;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.Chars;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.kinds.brief.WordsWanted.Form;

class WordsWantedTest {
  private static final WordsWanted TOE =
      new WordsWanted(List.of(new Form("toe-in", 1), new Form("toe*", 0.5)), false);

  private static double share(WordsWanted wanted, String given) {
    return ((Mark.Marked) wanted.mark(new WordsGiven(given))).share();
  }

  @Test
  void the_best_form_that_fits_gives_its_share() {
    assertThat(2 * share(TOE, "Toe-in ")).isEqualTo(2);
    assertThat(2 * share(TOE, "toe out")).isEqualTo(1);
    assertThat(2 * share(TOE, "squeal")).isZero();
    assertThat(2 * share(TOE, "")).isZero();
  }

  @Test
  void spaces_and_the_way_an_accent_is_typed_do_not_count_and_case_only_if_it_is_to() {
    var wanted = new WordsWanted(List.of(new Form("Café au lait", 1)), true);
    assertThat(share(wanted, " Cafe\u0301  au\u00a0lait")).isEqualTo(1);
    assertThat(share(wanted, "café au lait")).isZero();
    assertThat(share(new WordsWanted(List.of(new Form("STRASSE", 1)), false), "Straße"))
        .isEqualTo(1);
  }

  @Test
  void stars_stand_for_any_letters_and_nothing_else_does() {
    var wanted = new WordsWanted(List.of(new Form("*spoke*key", 1), new Form("a.c", 1)), false);
    assertThat(share(wanted, "a spoke key")).isEqualTo(1);
    assertThat(share(wanted, "spokekey")).isEqualTo(1);
    assertThat(share(wanted, "spoke keys")).isZero();
    assertThat(share(wanted, "abc")).isZero();
    assertThat(share(wanted, "a.c")).isEqualTo(1);
  }

  @Test
  void a_form_of_many_stars_is_told_quickly() {
    var wanted = new WordsWanted(List.of(new Form("*a".repeat(100) + "b", 1)), false);
    assertThat(share(wanted, "a".repeat(5000))).isZero();
  }

  @Test
  void it_says_what_it_lacks() {
    assertThat(TOE.lacks()).isEmpty();
    assertThat(new WordsWanted(List.of(), false).lacks()).containsExactly(WordsWanted.Lacks.FORMS);
    assertThat(new WordsWanted(List.of(new Form("* *", 0.5)), false).lacks())
        .containsExactly(WordsWanted.Lacks.WHOLE, WordsWanted.Lacks.ALL);
    assertThat(refused(() -> new Form("x", 0))).contains("above 0");
  }

  @Property
  void it_takes_what_the_same_pattern_takes(
      @ForAll @StringLength(max = 6) @Chars({'a', 'b', '*'}) String form,
      @ForAll @StringLength(max = 8) @CharRange(from = 'a', to = 'b') String given) {
    boolean fits = Pattern.matches(form.replace("*", ".*"), given);
    var wanted = new WordsWanted(List.of(new Form(form, 1)), true);
    assertThat(share(wanted, given)).isEqualTo(fits ? 1 : 0);
  }
}
