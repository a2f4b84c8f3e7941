package yendrik.core.quiz.taking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;
import yendrik.core.course.Counts;
import yendrik.core.quiz.taking.Review.Standing;
import yendrik.core.quiz.taking.Review.When;

class TakingTest {
  private static final Instant NOON = Instant.parse("2026-11-27T12:00:00Z");
  private static final List<String> ORDER = List.of("a", "b", "c", "d");

  private static Taking with(Limit limit) {
    return with(Optional.of(limit), Pages.ALL);
  }

  private static Taking with(Optional<Limit> limit, Pages pages) {
    return new Taking(limit, 0, "", pages, false, true, Review.USUAL, List.of(), false);
  }

  private static Instant at(String time) {
    return Instant.parse("2026-11-27T" + time + ":00Z");
  }

  @Test
  void an_attempt_ends_after_its_minutes_and_those_that_were_given_beyond() {
    Taking taking = with(new Limit(20, TimeUp.HANDED_IN, 5));
    assertThat(taking.span(NOON, 10, Optional.empty()))
        .contains(new Span(at("12:30"), at("12:30")));
    assertThat(Taking.USUAL.span(NOON, 10, Optional.empty())).isEmpty();
  }

  @Test
  void what_was_begun_may_be_finished_for_some_minutes() {
    Taking taking = with(new Limit(20, TimeUp.FINISHED, 5));
    assertThat(taking.span(NOON, 0, Optional.empty())).contains(new Span(at("12:20"), at("12:25")));
  }

  @Test
  void it_ends_when_nothing_can_be_handed_in_any_more_whatever_its_clock_says() {
    Taking taking = with(new Limit(20, TimeUp.FINISHED, 5));
    assertThat(taking.span(NOON, 0, Optional.of(at("12:22"))))
        .contains(new Span(at("12:20"), at("12:22")));
    assertThat(taking.span(NOON, 0, Optional.of(at("12:10"))))
        .contains(new Span(at("12:10"), at("12:10")));
    assertThat(Taking.USUAL.span(NOON, 0, Optional.of(at("13:00"))))
        .contains(new Span(at("13:00"), at("13:00")));
  }

  @Test
  void a_time_is_from_a_minute_to_a_week() {
    assertThatThrownBy(() -> new Limit(0, TimeUp.NOTHING, 0)).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> new Limit(Limit.MOST_MINUTES + 1, TimeUp.NOTHING, 0))
        .isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> new Limit(5, TimeUp.FINISHED, -1)).isInstanceOf(Refusal.class);
  }

  @Test
  void the_word_is_taken_however_it_is_written_and_nothing_else_is() {
    Taking taking =
        new Taking(
            Optional.empty(),
            0,
            " Spoke Key ",
            Pages.ALL,
            false,
            true,
            Review.USUAL,
            List.of(),
            false);
    assertThat(taking.opensTo("spoke key ")).isTrue();
    assertThat(taking.opensTo("")).isFalse();
    assertThat(taking.opensTo("spoke")).isFalse();
    assertThat(Taking.USUAL.opensTo("anything")).isTrue();
  }

  @Test
  void the_highest_band_that_was_reached_speaks() {
    Taking taking =
        new Taking(
            Optional.empty(),
            0,
            "",
            Pages.ALL,
            false,
            true,
            Review.USUAL,
            List.of(new Band(0.8, "Ready."), new Band(0.5, "Nearly.")),
            false);
    assertThat(taking.says(0.49)).isEmpty();
    assertThat(taking.says(0.5)).isEqualTo("Nearly.");
    assertThat(taking.says(1)).isEqualTo("Ready.");
  }

  @Test
  void right_answers_wait_until_nothing_can_be_gained_unless_it_is_said_otherwise() {
    var finished = new Standing(true, false, false, false);
    assertThat(Review.USUAL.at(finished)).isEqualTo(new Review.Allowed(true, false, true, true));
    assertThat(Review.USUAL.at(new Standing(true, true, false, false)).right()).isTrue();
    assertThat(Review.USUAL.at(new Standing(true, false, true, false)).right()).isTrue();
    assertThat(Review.USUAL.at(Standing.DURING))
        .isEqualTo(new Review.Allowed(false, false, false, false));
    assertThat(Review.AT_ONCE.at(Standing.DURING))
        .isEqualTo(new Review.Allowed(true, true, true, true));
    assertThat(Review.AT_ONCE.oneByOne()).isTrue();
    assertThat(Review.USUAL.oneByOne()).isFalse();
  }

  @Test
  void each_moment_of_review_is_just_that() {
    var all = new Review(When.CLOSED, When.PASSED, When.NEVER, When.AFTER_ATTEMPT);
    assertThat(all.at(new Standing(true, true, false, false)))
        .isEqualTo(new Review.Allowed(false, false, false, true));
    assertThat(all.at(new Standing(true, true, true, true)))
        .isEqualTo(new Review.Allowed(true, true, false, true));
    assertThat(all.at(new Standing(false, true, true, true)))
        .isEqualTo(new Review.Allowed(false, false, false, false));
  }

  @Test
  void nothing_can_be_gained_at_full_marks_without_attempts_or_after_a_first_that_counts() {
    assertThat(Taking.nothingToGain(Counts.BEST, 0.9, 1)).isFalse();
    assertThat(Taking.nothingToGain(Counts.BEST, 1, 1)).isTrue();
    assertThat(Taking.nothingToGain(Counts.LATEST, 0, 0)).isTrue();
    assertThat(Taking.nothingToGain(Counts.FIRST, 0.1, 3)).isTrue();
    assertThat(Taking.nothingToGain(Counts.FIRST, -1, 3)).isFalse();
  }

  @Test
  void whoever_goes_forward_answers_only_what_is_in_front_of_them() {
    Taking taking = with(Optional.empty(), Pages.FORWARD);
    var at = new Taking.Progress(1, Set.of(), false);
    assertThat(taking.taken(ORDER, at, Map.of("a", 1), Map.of("a", 9, "b", 2, "c", 3), Set.of()))
        .isEqualTo(Map.of("a", 1, "b", 2));
  }

  @Test
  void only_what_is_named_is_changed() {
    var at = new Taking.Progress(0, Set.of(), false);
    Map<String, Integer> kept = Map.of("a", 1, "b", 2, "c", 3);
    assertThat(Taking.USUAL.taken(ORDER, at, kept, Map.of("b", 9), Set.of("c")))
        .isEqualTo(Map.of("a", 1, "b", 9));
  }

  @Test
  void after_the_time_only_what_was_begun_is_finished() {
    var at = new Taking.Progress(0, Set.of(), true);
    assertThat(Taking.USUAL.taken(ORDER, at, Map.of("a", 1), Map.of("a", 5, "b", 2), Set.of()))
        .isEqualTo(Map.of("a", 5));
  }

  @Property
  void what_is_settled_stays_and_nothing_comes_that_is_not_asked(
      @ForAll @Size(max = 4) Map<@IntRange(max = 5) Integer, Integer> kept,
      @ForAll @Size(max = 6) Map<@IntRange(max = 5) Integer, Integer> sent,
      @ForAll @Size(max = 3) Set<@IntRange(max = 5) Integer> settled,
      @ForAll @Size(max = 3) Set<@IntRange(max = 5) Integer> takenBack,
      @ForAll Pages pages,
      @ForAll @IntRange(max = 3) int page,
      @ForAll boolean noOther) {
    Taking taking = with(Optional.empty(), pages);
    Map<String, Integer> before = named(kept);
    Set<String> fixed = names(settled);
    var progress = new Taking.Progress(page, fixed, noOther);
    Set<String> back = names(takenBack);
    Map<String, Integer> after = taking.taken(ORDER, progress, before, named(sent), back);
    assertThat(ORDER).containsAll(after.keySet());
    for (String question : ORDER) {
      if (fixed.contains(question)) assertThat(after.get(question)).isEqualTo(before.get(question));
      if (noOther && !before.containsKey(question)) assertThat(after).doesNotContainKey(question);
    }
    assertThat(taking.taken(ORDER, progress, after, named(sent), back)).isEqualTo(after);
  }

  private static Map<String, Integer> named(Map<Integer, Integer> numbered) {
    Map<String, Integer> named = new java.util.HashMap<>();
    numbered.forEach((n, value) -> named.put(name(n), value));
    return named;
  }

  private static Set<String> names(Set<Integer> numbers) {
    Set<String> names = new HashSet<>();
    numbers.forEach(n -> names.add(name(n)));
    return names;
  }

  private static String name(int n) {
    return String.valueOf((char) ('a' + n));
  }
}
