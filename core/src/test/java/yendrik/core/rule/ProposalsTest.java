package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.rule.words.Proposals;

class ProposalsTest {
  private final Proposals proposals =
      new Proposals(design(), new RuleAt.StepOpens(PRACTICAL), LocalDate.of(2026, 11, 20));

  private Leaf first(String typed) {
    return proposals.forText(typed, 5).getFirst().leaf();
  }

  @Test
  void a_kind_and_a_number_propose_a_score() {
    assertThat(first("quiz 60")).isEqualTo(new Leaf.Score(PADS, 0.6, 1));
  }

  @Test
  void a_word_and_a_date_propose_a_date() {
    assertThat(first("after 9 Nov"))
        .isEqualTo(
            new Leaf.InTime(Optional.of(Instant.parse("2026-11-08T23:00:00Z")), Optional.empty()));
    assertThat(first("before 2 jan"))
        .isEqualTo(
            new Leaf.InTime(Optional.empty(), Optional.of(Instant.parse("2027-01-01T23:00:00Z"))));
  }

  @Test
  void the_beginning_of_a_group_proposes_the_group() {
    assertThat(first("group sat")).isEqualTo(new Leaf.InGroup(SATURDAY));
  }

  @Test
  void the_words_of_a_level_propose_it() {
    assertThat(first("safe can teach")).isEqualTo(new Leaf.LevelAtLeast(SAFE, 3));
  }

  @Test
  void words_that_nothing_says_propose_nothing() {
    assertThat(proposals.forText("submarine", 5)).isEmpty();
  }

  @Test
  void a_step_is_proposed_its_own_facts_first_for_done_when() {
    var own = new Proposals(design(), new RuleAt.StepDone(PADS), LocalDate.of(2026, 11, 20));
    var proposal = own.forText("80", 5).getFirst();
    assertThat(proposal.leaf()).isEqualTo(new Leaf.Score(PADS, 0.8, 1));
    assertThat(proposal.sentence().line()).isEqualTo("scored 80 % or more");
  }
}
