package yendrik.core.quiz.taking;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class SpentTest {
  private static final Instant BEGUN = Instant.parse("2026-11-02T09:00:00Z");

  private static Instant after(long seconds) {
    return BEGUN.plusSeconds(seconds);
  }

  @Test
  void the_time_before_an_answer_is_that_of_its_question() {
    Spent spent =
        Spent.from(BEGUN)
            .came(Set.of("a"), after(30))
            .came(Set.of(), after(40))
            .came(Set.of("b"), after(75))
            .came(Set.of("a"), after(80));
    assertThat(spent.seconds()).isEqualTo(Map.of("a", 35L, "b", 45L));
  }

  @Test
  void answers_that_come_together_share_the_time() {
    assertThat(Spent.from(BEGUN).came(Set.of("a", "b"), after(61)).seconds())
        .isEqualTo(Map.of("a", 30L, "b", 30L));
  }

  @Test
  void a_long_pause_is_nobodys_time() {
    Spent spent =
        Spent.from(BEGUN)
            .came(Set.of("a"), BEGUN.plus(Spent.LONGEST).plusSeconds(1))
            .came(Set.of("b"), BEGUN.plus(Spent.LONGEST).plusSeconds(11));
    assertThat(spent.seconds()).isEqualTo(Map.of("a", 0L, "b", 10L));
  }

  @Property
  void never_more_is_spent_than_there_was(
      @ForAll @Size(max = 20) List<@IntRange(min = -100, max = 2000) Integer> steps,
      @ForAll @IntRange(min = 0, max = 7) int which) {
    Spent spent = Spent.from(BEGUN);
    Instant now = BEGUN;
    Instant latest = BEGUN;
    for (int step : steps) {
      now = now.plusSeconds(step);
      if (now.isAfter(latest)) latest = now;
      Set<String> on =
          switch ((which + step) & 3) {
            case 0 -> Set.of();
            case 1 -> Set.of("a");
            case 2 -> Set.of("b");
            default -> Set.of("a", "b", "c");
          };
      spent = spent.came(on, now);
    }
    long all = spent.seconds().values().stream().mapToLong(n -> n).sum();
    assertThat(all).isBetween(0L, Duration.between(BEGUN, latest).toSeconds());
    assertThat(spent.seconds().values()).allMatch(n -> n >= 0);
  }
}
