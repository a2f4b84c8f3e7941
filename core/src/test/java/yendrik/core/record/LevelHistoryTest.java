package yendrik.core.record;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import yendrik.core.Workshop;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.OutcomeId;
import yendrik.core.kind.Strands;
import yendrik.core.outcome.Composition;

class LevelHistoryTest {
  private final Workshop learner = new Workshop();

  private LearnerRecord record(Composition.How how) {
    var made = new Composition(List.of(BRAKE, SAFE), how);
    return Strands.record(new CourseIndex(withWhole(made)), JUNO);
  }

  private long rate(LearnerRecord record, OutcomeId outcome, int level) {
    Fact fact =
        learner.later(Duration.ofDays(1)).fact(new Fact.Rated(outcome, level, Optional.empty(), 0));
    record.take(fact);
    return fact.at().toEpochMilli();
  }

  private static List<LevelHistory.Move> of(LearnerRecord record, OutcomeId outcome) {
    return LevelHistory.of(record, record.index().number(outcome));
  }

  @Test
  void a_level_moves_when_evidence_moves_it_and_not_otherwise() {
    LearnerRecord record = record(new Composition.All());
    long first = rate(record, SAFE, 1);
    rate(record, SAFE, 1);
    long third = rate(record, SAFE, 3);
    long fourth = rate(record, SAFE, 2);
    assertThat(of(record, SAFE))
        .containsExactly(
            new LevelHistory.Move(first, 1),
            new LevelHistory.Move(third, 3),
            new LevelHistory.Move(fourth, 2));
    assertThat(of(record, BRAKE)).isEmpty();
  }

  @Test
  void the_whole_moves_when_a_part_does() {
    LearnerRecord record = record(new Composition.All());
    long brake = rate(record, BRAKE, 2);
    long safe = rate(record, SAFE, 3);
    assertThat(of(record, WHOLE))
        .containsExactly(new LevelHistory.Move(brake, 1), new LevelHistory.Move(safe, 2));
  }

  @Test
  void the_level_at_a_moment_is_that_of_the_last_move_before_it() {
    List<LevelHistory.Move> moves =
        List.of(new LevelHistory.Move(10, 2), new LevelHistory.Move(20, -1));
    assertThat(LevelHistory.levelAt(moves, 9)).isEmpty();
    assertThat(LevelHistory.levelAt(moves, 10)).hasValue(2);
    assertThat(LevelHistory.levelAt(moves, 25)).isEmpty();
  }

  @Property(tries = 300)
  void a_history_goes_forward_never_stands_still_and_ends_at_the_level_of_today(
      @ForAll @Size(max = 25) List<@IntRange(max = 7) Integer> ratings,
      @ForAll @IntRange(max = 3) int way) {
    var how =
        List.of(
                new Composition.All(),
                new Composition.AtLeast(1),
                new Composition.Mean(),
                new Composition.Lowest())
            .get(way);
    LearnerRecord record = record((Composition.How) how);
    for (int rating : ratings) rate(record, rating < 4 ? BRAKE : SAFE, rating % 4);
    for (OutcomeId outcome : List.of(BRAKE, SAFE, WHOLE)) {
      List<LevelHistory.Move> moves = of(record, outcome);
      OptionalInt last =
          moves.isEmpty() ? OptionalInt.empty() : OptionalInt.of(moves.getLast().level());
      assertThat(last).isEqualTo(record.level(record.index().number(outcome)));
      for (int m = 1; m < moves.size(); m++) {
        assertThat(moves.get(m).at()).isGreaterThan(moves.get(m - 1).at());
        assertThat(moves.get(m).level()).isNotEqualTo(moves.get(m - 1).level());
      }
    }
  }
}
