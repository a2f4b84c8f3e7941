package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.FlagId;
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
  void a_film_and_a_number_propose_how_much_of_it() {
    List<Step> steps = new ArrayList<>(steps());
    steps.add(step(FILM, "Cable cutting", StepKind.VIDEO, ask(new Leaf.Watched(FILM, 0.9))));
    var withFilm =
        new Proposals(design(steps), new RuleAt.StepOpens(PRACTICAL), LocalDate.of(2026, 11, 20));
    assertThat(withFilm.forText("cable 80", 5).getFirst().leaf())
        .isEqualTo(new Leaf.Watched(FILM, 0.8));
    assertThat(withFilm.forText("film cutting", 5).getFirst().leaf())
        .isEqualTo(new Leaf.Watched(FILM, 0.9));
  }

  @Test
  void attendance_is_proposed_as_a_rate_and_in_flags_as_what_falls_short() {
    assertThat(first("attendance 75")).isEqualTo(new Leaf.AttendanceRate(0.75));
    var flag =
        new Proposals(design(), new RuleAt.FlagRaised(new FlagId(1)), LocalDate.of(2026, 11, 20));
    assertThat(flag.forText("attendance 75", 5).getFirst().leaf())
        .isEqualTo(new Leaf.AttendanceUnder(0.75));
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

  private List<String> lines(LocalDate today, String typed) {
    return new Proposals(design(), new RuleAt.StepOpens(PRACTICAL), today)
        .forText(typed, 8).stream().map(p -> p.sentence().line()).toList();
  }

  @Test
  void a_day_that_no_calendar_has_proposes_nothing() {
    assertThat(lines(LocalDate.of(2026, 11, 20), "after 31 Nov")).isEmpty();
    assertThat(lines(LocalDate.of(2026, 11, 20), "after 29 Feb 2027")).isEmpty();
    assertThat(lines(LocalDate.of(2026, 11, 20), "after 29 Feb").getFirst())
        .contains("29 Feb 2028");
  }

  @Test
  void a_day_without_a_year_is_of_this_year_and_never_before_the_course_began() {
    assertThat(lines(LocalDate.of(2027, 1, 10), "after 20 Dec").getFirst())
        .as("the course began in October")
        .contains("Mon 20 Dec 2027");
    assertThat(lines(LocalDate.of(2026, 12, 10), "after 8 Jan").getFirst())
        .contains("Fri 8 Jan 2027");
    assertThat(lines(LocalDate.of(2026, 11, 20), "after 9 Nov").getFirst()).endsWith("Mon 9 Nov");
    assertThat(lines(LocalDate.of(2026, 11, 20), "after 1 Oct").getFirst())
        .as("before the course began it would be of no use")
        .contains("Fri 1 Oct 2027");
  }

  @Test
  void a_typed_year_is_taken_as_it_is_and_said_where_it_is_not_the_usual_one() {
    assertThat(lines(LocalDate.of(2026, 11, 20), "after 9 Nov 2026").getFirst())
        .endsWith("Mon 9 Nov");
    assertThat(lines(LocalDate.of(2026, 11, 20), "before 9 November 2028").getFirst())
        .contains("Thu 9 Nov 2028");
  }
}
