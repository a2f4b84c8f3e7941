package yendrik.core.record;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.Workshop;

class StandingExceptionsTest {
  private final Workshop learner = new Workshop();

  private List<Fact.What> standing(Instant now) {
    return StandingExceptions.of(learner.all, now).stream().map(Fact::what).toList();
  }

  @Test
  void stand_until_their_kind_ends_at_their_step_or_they_are_taken_back() {
    var excused = new Fact.Excused(ANATOMY, "ill");
    var more = new Fact.AttemptsAdded(PADS, 1);
    learner.fact(excused);
    Fact added = learner.fact(more);
    assertThat(standing(learner.now())).containsExactly(excused, more);
    learner.fact(new Fact.ExceptionEnded(PADS, Fact.Grant.EXCUSED, "another step"));
    learner.fact(new Fact.ExceptionEnded(ANATOMY, Fact.Grant.TIME, "another kind"));
    assertThat(standing(learner.now())).containsExactly(excused, more);
    learner.fact(new Fact.ExceptionEnded(ANATOMY, Fact.Grant.EXCUSED, "well again"));
    assertThat(standing(learner.now())).containsExactly(more);
    learner.correcting(added, new Fact.TakenBack("wrong learner"));
    assertThat(standing(learner.now())).isEmpty();
    learner.fact(excused);
    assertThat(standing(learner.now())).as("given again").containsExactly(excused);
  }

  @Test
  void what_is_opened_until_a_moment_stands_no_more_from_then_on() {
    Instant until = START.plus(Duration.ofDays(3));
    var opened = new Fact.Opened(FILM, Optional.empty(), Optional.of(until));
    learner.fact(opened);
    assertThat(standing(until.minusMillis(1))).containsExactly(opened);
    assertThat(standing(until)).isEmpty();
  }
}
