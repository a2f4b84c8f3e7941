package yendrik.core.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;
import yendrik.core.Workshop;
import yendrik.core.id.FactId;
import yendrik.core.progress.Progress;
import yendrik.core.progress.Replay;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;

/** Facts are only added; what stands is what was not corrected. */
class FactsTest {
  private final Workshop learner = new Workshop();

  @Test
  void a_correction_takes_the_place_in_time_of_what_it_corrects() {
    Fact wrong = learner.fact(new Fact.Rated(BRAKE, 3, Optional.empty(), 0));
    Fact later = learner.fact(new Fact.Rated(BRAKE, 1, Optional.empty(), 0));
    Fact right = learner.correcting(wrong, new Fact.Rated(BRAKE, 0, Optional.empty(), 0));
    List<Fact> standing = Facts.standing(learner.all);
    assertThat(standing).extracting(Fact::what).containsExactly(right.what(), later.what());
    assertThat(standing.getFirst().at()).isEqualTo(wrong.at());
  }

  @Test
  void a_correction_can_be_corrected() {
    Fact first = learner.fact(new Fact.Rated(BRAKE, 3, Optional.empty(), 0));
    Fact second = learner.correcting(first, new Fact.Rated(BRAKE, 2, Optional.empty(), 0));
    Fact third = learner.correcting(second, new Fact.Rated(BRAKE, 1, Optional.empty(), 0));
    assertThat(Facts.standing(learner.all)).extracting(Fact::what).containsExactly(third.what());
  }

  @Test
  void of_several_corrections_of_the_same_fact_the_newest_stands_alone() {
    Fact first = learner.fact(new Fact.Rated(BRAKE, 3, Optional.empty(), 0));
    learner.correcting(first, new Fact.Rated(BRAKE, 2, Optional.empty(), 0));
    Fact third = learner.correcting(first, new Fact.Rated(BRAKE, 1, Optional.empty(), 0));
    assertThat(Facts.standing(learner.all)).extracting(Fact::what).containsExactly(third.what());
    learner.correcting(first, new Fact.TakenBack("a slip"));
    assertThat(Facts.standing(learner.all)).as("with all its corrections").isEmpty();
    Fact again = learner.correcting(first, new Fact.Rated(BRAKE, 0, Optional.empty(), 0));
    assertThat(Facts.standing(learner.all)).extracting(Fact::what).containsExactly(again.what());
  }

  @Property
  void one_fact_stands_for_each_that_was_not_a_correction(
      @ForAll Random random, @ForAll @IntRange(min = 1, max = 25) int many) {
    var someone = new Workshop();
    int plain = 0;
    for (int n = 0; n < many; n++) {
      var rated = new Fact.Rated(BRAKE, random.nextInt(4), Optional.empty(), 0);
      if (n > 0 && random.nextBoolean())
        someone.correcting(someone.all.get(random.nextInt(n)), rated);
      else {
        someone.fact(rated);
        plain++;
      }
    }
    assertThat(Facts.standing(someone.all))
        .hasSize(plain)
        .isSortedAccordingTo(java.util.Comparator.comparing(Fact::at));
  }

  @Test
  void what_is_taken_back_leaves_nothing_in_its_place() {
    Fact slip = learner.fact(new SignOffFact.SignedOff(PRACTICAL, ""));
    learner.correcting(slip, new Fact.TakenBack("wrong learner"));
    assertThat(Facts.standing(learner.all)).isEmpty();
  }

  @Test
  void a_correction_of_something_unknown_is_an_error_that_names_it() {
    Fact lost =
        new Fact(
            new FactId(9), START, Optional.empty(), new Fact.WasHere(), Optional.of(new FactId(4)));
    assertThatThrownBy(() -> Facts.standing(List.of(lost)))
        .isInstanceOf(Refusal.class)
        .hasMessageContaining("4");
  }

  @Test
  void a_corrected_mark_counts_as_if_it_had_been_right_from_the_start() {
    learner.fact(new Fact.Enrolled());
    learner.fact(new Fact.Opened(JOB_CARD));
    learner.fact(new WorkFact.HandedIn(JOB_CARD, 1));
    Fact mark = learner.fact(new WorkFact.Marked(JOB_CARD, 1, 2, 20, Judgement.AGAIN, ""));
    learner.later(Duration.ofDays(1));
    learner.correcting(mark, new WorkFact.Marked(JOB_CARD, 1, 18, 20, Judgement.PASSED, ""));
    Progress progress = Replay.run(CompiledCourse.of(design()), JUNO, learner.all, learner.now());
    int s = progress.course().index().number(JOB_CARD);
    assertThat(progress.doneAt(s)).contains(mark.at());
  }

  @Property
  void what_stands_does_not_depend_on_the_order_in_which_facts_are_listed(
      @ForAll Random random, @ForAll @IntRange(min = 1, max = 25) int many) {
    var someone = new Workshop();
    for (int n = 0; n < many; n++) {
      var rated = new Fact.Rated(BRAKE, random.nextInt(4), Optional.empty(), 0);
      if (n > 0 && random.nextInt(3) == 0)
        someone.correcting(someone.all.get(random.nextInt(n)), rated);
      else someone.fact(rated);
    }
    List<Fact> shuffled = new ArrayList<>(someone.all);
    Collections.shuffle(shuffled, random);
    assertThat(Facts.standing(shuffled))
        .extracting(Fact::at)
        .isEqualTo(Facts.standing(someone.all).stream().map(Fact::at).toList());
  }
}
