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
import yendrik.core.people.StaffKind;
import yendrik.core.rule.words.Proposals;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.film.FilmLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.signoff.SignOffLeaf;
import yendrik.core.strand.time.TimeLeaf;
import yendrik.core.strand.work.WorkLeaf;
import yendrik.core.words.Catalogue;

class ProposalsTest {
  private final Proposals proposals =
      new Proposals(
          design(),
          new RuleAt.StepOpens(PRACTICAL),
          LocalDate.of(2026, 11, 20),
          Catalogue.english());

  private static Proposals among(List<Step> steps) {
    return new Proposals(
        design(steps),
        new RuleAt.StepOpens(PRACTICAL),
        LocalDate.of(2026, 11, 20),
        Catalogue.english());
  }

  private Leaf first(String typed) {
    return proposals.forText(typed, 5).getFirst().leaf();
  }

  @Test
  void a_kind_and_a_number_propose_a_score() {
    assertThat(first("quiz 60")).isEqualTo(new MarkLeaf.Score(PADS, 0.6, 1));
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
    steps.add(step(FILM, "Cable cutting", StepKind.VIDEO, ask(new FilmLeaf.Watched(FILM, 0.9))));
    var withFilm = among(steps);
    assertThat(withFilm.forText("cable 80", 5).getFirst().leaf())
        .isEqualTo(new FilmLeaf.Watched(FILM, 0.8));
    assertThat(withFilm.forText("film cutting", 5).getFirst().leaf())
        .isEqualTo(new FilmLeaf.Watched(FILM, 0.9));
  }

  @Test
  void a_discussion_and_a_number_propose_posts_and_replies() {
    List<Step> steps = new ArrayList<>(steps());
    steps.add(step(FILM, "Chain stories", StepKind.DISCUSSION, ask(new PostLeaf.Posted(FILM, 1))));
    var with = among(steps);
    assertThat(with.forText("chain posts 2", 5).getFirst().leaf())
        .isEqualTo(new PostLeaf.Posted(FILM, 2));
    assertThat(with.forText("chain replies 3", 5).getFirst().leaf())
        .isEqualTo(new PostLeaf.Replied(FILM, 3));
  }

  @Test
  void attendance_is_proposed_as_a_rate_and_in_flags_as_what_falls_short() {
    assertThat(first("attendance 75")).isEqualTo(new Leaf.AttendanceRate(0.75));
    var flag =
        new Proposals(
            design(),
            new RuleAt.FlagRaised(new FlagId(1)),
            LocalDate.of(2026, 11, 20),
            Catalogue.english());
    assertThat(flag.forText("attendance 75", 5).getFirst().leaf())
        .isEqualTo(new Leaf.AttendanceUnder(0.75));
  }

  private Leaf instead(Leaf was, String typed) {
    return proposals.inPlaceOf(was, typed, 5).getFirst().leaf();
  }

  @Test
  void a_number_alone_in_the_place_of_a_condition_is_another_number_for_it() {
    assertThat(instead(new MarkLeaf.Score(PADS, 0.6, 1), "75"))
        .isEqualTo(new MarkLeaf.Score(PADS, 0.75, 1));
    assertThat(instead(new AttemptLeaf.Attempted(PADS, 2), "3"))
        .isEqualTo(new AttemptLeaf.Attempted(PADS, 3));
    assertThat(instead(new Leaf.EnrolledFor(7), "14")).isEqualTo(new Leaf.EnrolledFor(14));
  }

  @Test
  void a_word_in_the_place_of_a_condition_asks_something_else_about_the_same() {
    assertThat(instead(new MarkLeaf.Score(PADS, 0.6, 1), "finished"))
        .isEqualTo(new Leaf.StepDone(PADS));
    assertThat(instead(new Leaf.StepDone(PADS), "passed")).isEqualTo(new MarkLeaf.Passed(PADS));
  }

  @Test
  void a_condition_is_found_again_by_what_it_says_and_changed_within_it() {
    var was = new MarkLeaf.Score(PADS, 0.6, 1);
    String says = proposals.forText("quiz 60", 1).getFirst().sentence().line();
    assertThat(instead(was, says)).isEqualTo(was);
    assertThat(instead(was, says.replace("60", "85"))).isEqualTo(new MarkLeaf.Score(PADS, 0.85, 1));
    var dated = proposals.forText("after 9 nov", 1).getFirst();
    assertThat(instead(dated.leaf(), dated.sentence().line())).isEqualTo(dated.leaf());
    assertThat(instead(dated.leaf(), "after Mon 16 Nov"))
        .isEqualTo(proposals.forText("after 16 nov", 1).getFirst().leaf());
  }

  @Test
  void a_number_that_is_part_of_a_name_is_no_amount() {
    List<Step> steps = new ArrayList<>(steps());
    steps.add(step(FILM, "Torque 2", StepKind.QUIZ, ask(new AttemptLeaf.Attempted(FILM, 1))));
    var with = among(steps);
    assertThat(with.forText("torque 2 finished", 5).getFirst().leaf())
        .isEqualTo(new Leaf.StepDone(FILM));
    assertThat(with.forText("torque 2 scored 80", 5).getFirst().leaf())
        .isEqualTo(new MarkLeaf.Score(FILM, 0.8, 1));
  }

  @Test
  void words_that_nothing_says_propose_nothing() {
    assertThat(proposals.forText("submarine", 5)).isEmpty();
  }

  @Test
  void a_step_is_proposed_its_own_facts_first_for_done_when() {
    var own =
        new Proposals(
            design(), new RuleAt.StepDone(PADS), LocalDate.of(2026, 11, 20), Catalogue.english());
    var proposal = own.forText("80", 5).getFirst();
    assertThat(proposal.leaf()).isEqualTo(new MarkLeaf.Score(PADS, 0.8, 1));
    assertThat(proposal.sentence().line()).isEqualTo("scored 80 % or more");
  }

  private List<String> lines(LocalDate today, String typed) {
    return new Proposals(design(), new RuleAt.StepOpens(PRACTICAL), today, Catalogue.english())
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
        .endsWith("Mon 20 Dec");
    assertThat(lines(LocalDate.of(2026, 12, 10), "after 8 Jan").getFirst())
        .contains("Fri 8 Jan 2027");
    assertThat(lines(LocalDate.of(2026, 11, 20), "after 9 Nov").getFirst()).endsWith("Mon 9 Nov");
    assertThat(lines(LocalDate.of(2026, 11, 20), "after 1 Oct").getFirst())
        .as("before the course began it would be of no use")
        .contains("Fri 1 Oct 2027");
  }

  @Test
  void a_typed_year_is_taken_as_it_is_and_said_where_it_is_not_this_one() {
    assertThat(lines(LocalDate.of(2026, 11, 20), "after 9 Nov 2026").getFirst())
        .endsWith("Mon 9 Nov");
    assertThat(lines(LocalDate.of(2026, 11, 20), "before 9 November 2028").getFirst())
        .contains("Thu 9 Nov 2028");
  }

  private Proposals forPlace(RuleAt at) {
    return new Proposals(design(), at, LocalDate.of(2026, 11, 20), Catalogue.english());
  }

  private static List<Leaf> leaves(Proposals proposals, String typed) {
    return proposals.forText(typed, 50).stream().map(Proposals.Proposal::leaf).toList();
  }

  @Test
  void a_number_with_the_name_of_a_step_is_a_score_attempts_minutes_or_days() {
    assertThat(leaves(proposals, "pads 3"))
        .contains(
            new MarkLeaf.Score(PADS, 0.03, 1),
            new MarkLeaf.Score(PADS, 0, 0.03),
            new AttemptLeaf.Attempted(PADS, 3),
            new TimeLeaf.TimeSpent(PADS, 3),
            new Leaf.DaysSinceDone(PADS, 3));
    assertThat(leaves(proposals, "pads 21")).doesNotContain(new AttemptLeaf.Attempted(PADS, 21));
    assertThat(leaves(proposals, "pads 101")).noneMatch(l -> l instanceof MarkLeaf.Score);
    assertThat(leaves(proposals, "pads 0"))
        .containsOnly(new MarkLeaf.Score(PADS, 0, 1), new MarkLeaf.Score(PADS, 0, 0));
    assertThat(leaves(forPlace(new RuleAt.StepDone(PADS)), "pads 3"))
        .as("a step does not wait for itself")
        .doesNotContain(new Leaf.DaysSinceDone(PADS, 3));
  }

  @Test
  void what_fits_a_step_best_is_proposed_first() {
    List<Step> steps = new ArrayList<>(steps());
    steps.add(step(FILM, "Cable cutting", StepKind.VIDEO, ask(new FilmLeaf.Watched(FILM, 0.9))));
    var all =
        new Proposals(
            design(steps),
            new RuleAt.StepOpens(SECOND_LOOK),
            LocalDate.of(2026, 11, 20),
            Catalogue.english());
    assertThat(leaves(all, "page rim"))
        .containsExactly(
            new Leaf.StepDone(ANATOMY),
            new SeenLeaf.Seen(ANATOMY),
            new ConfirmLeaf.Confirmed(ANATOMY));
    assertThat(leaves(all, "video cable"))
        .containsExactly(
            new Leaf.StepDone(FILM),
            new FilmLeaf.Watched(FILM, 0.9),
            new SeenLeaf.Seen(FILM),
            new ConfirmLeaf.Confirmed(FILM));
    assertThat(leaves(all, "quiz pads"))
        .containsExactly(
            new Leaf.StepDone(PADS),
            new MarkLeaf.Passed(PADS),
            new MarkLeaf.NotPassed(PADS),
            new MarkLeaf.Score(PADS, 1, 1),
            new AttemptLeaf.Improved(PADS, 0.2),
            new ConfirmLeaf.Confirmed(PADS));
    assertThat(leaves(all, "assignment card"))
        .containsExactly(
            new Leaf.StepDone(JOB_CARD),
            new MarkLeaf.Passed(JOB_CARD),
            new WorkLeaf.HandedIn(JOB_CARD),
            new WorkLeaf.Marked(JOB_CARD),
            new MarkLeaf.NotPassed(JOB_CARD),
            new ConfirmLeaf.Confirmed(JOB_CARD));
    assertThat(leaves(all, "practical brake"))
        .containsExactly(
            new Leaf.StepDone(PRACTICAL),
            new SignOffLeaf.SignedOff(PRACTICAL),
            new ConfirmLeaf.Confirmed(PRACTICAL));
    assertThat(leaves(all, "video 100"))
        .containsExactly(
            new FilmLeaf.Watched(FILM, 1),
            new TimeLeaf.TimeSpent(FILM, 100),
            new Leaf.DaysSinceDone(FILM, 100));
    assertThat(leaves(all, "video 101"))
        .containsExactly(new TimeLeaf.TimeSpent(FILM, 101), new Leaf.DaysSinceDone(FILM, 101));
    assertThat(leaves(all, "quiz 20"))
        .containsExactly(
            new MarkLeaf.Score(PADS, 0.2, 1),
            new AttemptLeaf.Attempted(PADS, 20),
            new MarkLeaf.Score(PADS, 0, 0.2),
            new AttemptLeaf.OnDays(PADS, 20),
            new TimeLeaf.TimeSpent(PADS, 20),
            new Leaf.DaysSinceDone(PADS, 20),
            new Leaf.QuizzesScored(Optional.of(BRAKES), 0.2),
            new Leaf.QuizzesScored(Optional.empty(), 0.2));
    assertThat(leaves(all, "all quizzes"))
        .containsExactly(
            new Leaf.QuizzesScored(Optional.of(BRAKES), 1),
            new Leaf.QuizzesScored(Optional.empty(), 1));
    assertThat(leaves(all, "quiz 100"))
        .contains(new MarkLeaf.Score(PADS, 1, 1), new MarkLeaf.Score(PADS, 0, 1));
  }

  @Test
  void the_name_of_a_step_proposes_what_its_kind_can_answer() {
    assertThat(leaves(proposals, "anatomy"))
        .contains(
            new Leaf.StepDone(ANATOMY),
            new SeenLeaf.Seen(ANATOMY),
            new ConfirmLeaf.Confirmed(ANATOMY));
    assertThat(leaves(proposals, "pads"))
        .contains(new Leaf.StepDone(PADS), new MarkLeaf.Passed(PADS), new MarkLeaf.NotPassed(PADS))
        .doesNotContain(new SeenLeaf.Seen(PADS));
    assertThat(leaves(proposals, "job card"))
        .contains(
            new MarkLeaf.Passed(JOB_CARD),
            new WorkLeaf.HandedIn(JOB_CARD),
            new WorkLeaf.Marked(JOB_CARD),
            new MarkLeaf.NotPassed(JOB_CARD));
    assertThat(leaves(forPlace(new RuleAt.StepOpens(JOB_CARD)), "practical"))
        .contains(new SignOffLeaf.SignedOff(PRACTICAL));
    assertThat(leaves(proposals, "practical")).as("it opens by nothing in it").isEmpty();
  }

  @Test
  void a_module_is_proposed_done_by_steps_and_by_share_but_never_to_itself() {
    assertThat(leaves(proposals, "module brakes")).containsExactly(new Leaf.ModuleDone(BRAKES));
    assertThat(leaves(proposals, "module 5"))
        .contains(new Leaf.ModuleCount(BRAKES, 5), new Leaf.ModuleShare(BRAKES, 0.05));
    assertThat(leaves(proposals, "module 6")).as("it has five steps").noneMatch(this::counts);
    assertThat(leaves(proposals, "module 0")).isEmpty();
    assertThat(leaves(proposals, "module 100")).contains(new Leaf.ModuleShare(BRAKES, 1));
    assertThat(leaves(proposals, "module 101")).noneMatch(l -> l instanceof Leaf.ModuleShare);
    assertThat(leaves(forPlace(new RuleAt.ModuleOpens(BRAKES)), "module brakes")).isEmpty();
    assertThat(leaves(forPlace(new RuleAt.ModuleDone(BRAKES)), "module brakes")).isEmpty();
    assertThat(leaves(forPlace(new RuleAt.ModuleDone(BRAKES)), "3").getFirst())
        .as("its own steps first")
        .isEqualTo(new Leaf.ModuleCount(BRAKES, 3));
  }

  private boolean counts(Leaf leaf) {
    return leaf instanceof Leaf.ModuleCount;
  }

  @Test
  void an_outcome_is_proposed_at_mastery_at_each_level_and_by_pieces_of_evidence() {
    assertThat(leaves(proposals, "BRAKE level"))
        .containsExactlyInAnyOrder(
            new Leaf.AtMastery(BRAKE),
            new Leaf.LevelAtLeast(BRAKE, 1),
            new Leaf.LevelBelow(BRAKE, 1),
            new Leaf.LevelAtLeast(BRAKE, 2),
            new Leaf.LevelBelow(BRAKE, 2),
            new Leaf.LevelAtLeast(BRAKE, 3),
            new Leaf.LevelBelow(BRAKE, 3));
    assertThat(first("BRAKE level")).isEqualTo(new Leaf.AtMastery(BRAKE));
    assertThat(leaves(proposals, "brake evidence 20"))
        .containsExactly(new Leaf.EvidenceCount(BRAKE, 20, 2));
    assertThat(leaves(proposals, "brake evidence 21")).isEmpty();
    assertThat(leaves(proposals, "brake evidence 0")).isEmpty();
  }

  @Test
  void what_completes_a_course_is_proposed_for_it_first() {
    Proposals completing = forPlace(new RuleAt.CourseComplete());
    assertThat(leaves(completing, "approved facil"))
        .containsExactly(new Leaf.Approved(StaffKind.FACILITATOR));
    assertThat(leaves(completing, "own word")).containsExactly(new Leaf.OwnWord());
    assertThat(leaves(completing, "leaves")).containsExactly(new Leaf.HasLeft());
    assertThat(leaves(proposals, "leaves")).isEmpty();
    assertThat(leaves(completing, "grade 60")).containsExactly(new Leaf.GradeAtLeast(0.6));
    assertThat(leaves(completing, "grade 0")).isEmpty();
  }

  @Test
  void badges_and_courses_are_proposed_by_name_and_the_course_not_to_itself() {
    assertThat(leaves(proposals, "badge hand")).containsExactly(new Leaf.HoldsBadge(BRAKE_HAND));
    assertThat(leaves(proposals, "course"))
        .containsExactly(
            new Leaf.CourseComplete(INDUCTION),
            new Leaf.CourseComplete(COURSE),
            new Leaf.QuizzesScored(Optional.empty(), 1));
    assertThat(leaves(forPlace(new RuleAt.CourseComplete()), "course"))
        .containsExactly(
            new Leaf.HasLeft(),
            new Leaf.CourseComplete(INDUCTION),
            new Leaf.QuizzesScored(Optional.empty(), 1));
    assertThat(leaves(proposals, "out of reach")).isEmpty();
    assertThat(leaves(forPlace(new RuleAt.FlagRaised(new FlagId(1))), "out of reach"))
        .containsExactly(new Leaf.RequiredOutOfReach());
  }

  @Test
  void days_mean_since_enrolment_and_in_flags_the_signals_first() {
    assertThat(leaves(proposals, "enrolled 4")).containsExactly(new Leaf.EnrolledFor(4));
    assertThat(leaves(proposals, "enrolled 0")).isEmpty();
    assertThat(leaves(proposals, "quiet 4")).isEmpty();
    var flag = forPlace(new RuleAt.FlagRaised(new FlagId(1)));
    assertThat(leaves(flag, "quiet 4")).containsExactly(new Leaf.QuietFor(4));
    assertThat(leaves(flag, "never started 4")).containsExactly(new Leaf.NeverStarted(4));
    assertThat(leaves(flag, "overdue 4")).containsExactly(new Leaf.Overdue(4));
    assertThat(leaves(flag, "behind 4")).containsExactly(new Leaf.BehindBy(4));
    assertThat(leaves(flag, "stuck 4")).containsExactly(new Leaf.StuckFor(4));
    Instant day = LocalDate.of(2026, 12, 9).atStartOfDay(design(steps()).zone()).toInstant();
    assertThat(leaves(flag, "brake no evidence 9 Dec 2026"))
        .containsExactly(new Leaf.NoEvidence(BRAKE, day));
    assertThat(leaves(proposals, "brake no evidence 9 Dec 2026")).isEmpty();
    assertThat(leaves(flag, "4").getFirst()).isEqualTo(new Leaf.QuietFor(4));
    assertThat(leaves(proposals, "sessions 100"))
        .contains(new Leaf.SessionsAttended(100), new Leaf.AttendanceRate(1));
    assertThat(leaves(proposals, "sessions 101")).isEmpty();
  }

  @Test
  void a_day_proposes_after_before_and_on_it() {
    assertThat(leaves(proposals, "9 nov 2026"))
        .containsExactly(
            new Leaf.InTime(Optional.of(Instant.parse("2026-11-08T23:00:00Z")), Optional.empty()),
            new Leaf.InTime(Optional.empty(), Optional.of(Instant.parse("2026-11-08T23:00:00Z"))),
            new Leaf.InTime(
                Optional.of(Instant.parse("2026-11-08T23:00:00Z")),
                Optional.of(Instant.parse("2026-11-09T23:00:00Z"))));
  }
}
