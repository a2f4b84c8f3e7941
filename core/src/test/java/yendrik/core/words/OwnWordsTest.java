package yendrik.core.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;

class OwnWordsTest {
  private static final Function<String, String> JUNO =
      Map.of("learner", "Juno Pryce", "step", "True it", "course", "Wheels")::get;

  private static OwnWords passed(String text) {
    return new OwnWords(Map.of(Moment.PASSED, text));
  }

  private static Optional<String> said(String text) {
    return passed(text).checked().say(Moment.PASSED, JUNO);
  }

  @Test
  void learner_step_and_course_stand_where_they_are_named() {
    assertThat(said("Well done, {learner}: “{step}” of {course}, {learner}'s own."))
        .contains("Well done, Juno Pryce: “True it” of Wheels, Juno Pryce's own.");
  }

  @Test
  void a_name_that_looks_like_a_place_is_a_name() {
    assertThat(passed("{learner} at {step}").say(Moment.PASSED, _ -> "{course} $1 \\"))
        .contains("{course} $1 \\ at {course} $1 \\");
  }

  @Test
  void the_name_of_the_learner_is_asked_for_only_where_it_is_named() {
    assertThat(
            passed("Passed")
                .say(
                    Moment.PASSED,
                    name -> {
                      throw new AssertionError(name);
                    }))
        .contains("Passed");
  }

  @Test
  void braces_around_something_else_are_refused_with_what_stands_in_them() {
    assertThatThrownBy(() -> said("Hello {name}, on you go"))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("{name}");
    assertThatThrownBy(() -> said("Hello {learner")).hasMessageContaining("{learner");
    assertThatThrownBy(() -> said("Hello }")).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> said("{{learner}}")).isInstanceOf(Refusal.class);
  }

  @Test
  void what_is_said_about_the_course_names_no_step() {
    assertThatThrownBy(() -> new OwnWords(Map.of(Moment.COMPLETED, "Over with {step}")).checked())
        .isInstanceOf(Refusal.class);
  }

  @Test
  void a_text_of_600_characters_is_taken_and_one_of_601_is_not() {
    assertThat(said("a".repeat(600))).contains("a".repeat(600));
    assertThatThrownBy(() -> said("a".repeat(601))).hasMessageContaining("600");
  }

  @Test
  void blanks_say_nothing_and_a_step_comes_before_its_course() {
    OwnWords step = new OwnWords(Map.of(Moment.PASSED, "  ", Moment.DONE, " Here "));
    OwnWords course = new OwnWords(Map.of(Moment.PASSED, "Course", Moment.DONE, "Course"));
    assertThat(step.over(course).texts())
        .isEqualTo(Map.of(Moment.PASSED, "Course", Moment.DONE, "Here"));
    assertThat(step.say(Moment.PASSED, JUNO)).isEmpty();
  }

  @Property
  void whatever_is_taken_can_be_said_and_keeps_no_brace(
      @ForAll
          @StringLength(max = 40)
          @CharRange(from = 'a', to = 'e')
          @CharRange(from = '{', to = '}')
          String text) {
    OwnWords words = passed(text);
    boolean taken;
    try {
      words.checked();
      taken = true;
    } catch (Refusal e) {
      taken = false;
    }
    assertThat(taken).isEqualTo(!text.contains("{") && !text.contains("}"));
    if (taken && !text.isBlank()) assertThat(said(text)).contains(text);
  }
}
