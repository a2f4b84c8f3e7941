package yendrik.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;

class AgainTest {
  private static final ZoneId BERLIN = ZoneId.of("Europe/Berlin");

  /** Open from Monday 19 October at 8:00, due on the Friday at 18:00, both in summer time. */
  private static final Step.Window WEEK =
      new Step.Window(
          Optional.of(Instant.parse("2026-10-19T06:00:00Z")),
          Optional.of(Instant.parse("2026-10-23T16:00:00Z")),
          Optional.empty(),
          Optional.empty());

  /** Every 30 days with six days of the week left out is one in 210 days. */
  private static final int WITHIN_TEN_YEARS = 3_653 / 210;

  private static Again every(int days, int times) {
    return new Again(days, times, Set.of(), Set.of());
  }

  private static List<String> due(Again again) {
    return again.after(WEEK, BERLIN).stream().map(w -> w.due().orElseThrow().toString()).toList();
  }

  @Test
  void dates_keep_their_time_of_day_where_the_course_is_when_clocks_change() {
    assertThat(due(every(7, 2)))
        .as("clocks go back on 25 October")
        .containsExactly("2026-10-30T17:00:00Z", "2026-11-06T17:00:00Z");
  }

  @Test
  void what_has_no_date_gets_none() {
    assertThat(every(1, 3).after(Step.Window.ALWAYS, BERLIN))
        .containsExactly(Step.Window.ALWAYS, Step.Window.ALWAYS, Step.Window.ALWAYS);
    assertThat(every(7, 1).after(WEEK, BERLIN).getFirst().until()).isEmpty();
  }

  @Test
  void a_daily_series_leaves_out_weekends_and_holidays_and_has_as_many_all_the_same() {
    var daily =
        new Again(
            1, 3, Set.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY), Set.of(LocalDate.of(2026, 10, 27)));
    assertThat(due(daily))
        .containsExactly("2026-10-26T17:00:00Z", "2026-10-28T17:00:00Z", "2026-10-29T17:00:00Z");
  }

  @Test
  void a_series_of_which_every_day_is_left_out_is_refused_and_not_looked_for_for_ever() {
    var none = new Again(7, 2, Set.of(DayOfWeek.FRIDAY), Set.of());
    assertThatThrownBy(() -> none.after(WEEK, BERLIN)).isInstanceOf(Refusal.class);
    var same = new Again(0, 1, Set.of(), Set.of(LocalDate.of(2026, 10, 23)));
    assertThatThrownBy(() -> same.after(WEEK, BERLIN)).isInstanceOf(Refusal.class);
  }

  @Test
  void nothing_is_planned_more_than_ten_years_ahead() {
    assertThat(every(366, 9).after(WEEK, BERLIN)).hasSize(9);
    assertThatThrownBy(() -> every(366, 10).after(WEEK, BERLIN)).isInstanceOf(Refusal.class);
  }

  @Test
  void too_many_or_none_or_backwards_are_refused() {
    assertThatThrownBy(() -> every(1, 0)).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> every(1, 61)).isInstanceOf(Refusal.class);
    assertThatThrownBy(() -> every(-1, 1)).isInstanceOf(Refusal.class);
  }

  @Test
  void names_count_on() {
    assertThat(Again.name("Journal", 1)).isEqualTo("Journal 2");
    assertThat(Again.name("Journal", 2)).isEqualTo("Journal 3");
    assertThat(Again.name("Week 9", 1)).isEqualTo("Week 10");
    assertThat(Again.name("2026", 1)).as("a name that is a number").isEqualTo("2026 2");
    assertThat(Again.name("No. 20261127001", 1)).isEqualTo("No. 20261127001 2");
    assertThat(Again.name("a".repeat(200), 7)).hasSizeLessThanOrEqualTo(200).endsWith(" 8");
  }

  @Property
  void each_is_later_than_the_one_before_and_none_falls_on_a_day_that_is_left_out(
      @ForAll @IntRange(min = 1, max = 30) int days,
      @ForAll @IntRange(min = 1, max = WITHIN_TEN_YEARS) int times,
      @ForAll Set<DayOfWeek> out) {
    var again = new Again(days, times, out, Set.of());
    if (out.size() == 7 || (days % 7 == 0 && out.contains(DayOfWeek.FRIDAY))) {
      assertThatThrownBy(() -> again.after(WEEK, BERLIN)).isInstanceOf(Refusal.class);
      return;
    }
    List<Step.Window> all = again.after(WEEK, BERLIN);
    assertThat(all).hasSize(times);
    assertThat(all.stream().map(w -> w.due().orElseThrow()))
        .isSorted()
        .doesNotHaveDuplicates()
        .allMatch(d -> !out.contains(d.atZone(BERLIN).getDayOfWeek()));
  }
}
