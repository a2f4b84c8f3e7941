package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.people.StaffKind;
import yendrik.core.rule.words.Wording;
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
import yendrik.core.words.Numbers;
import yendrik.core.words.Writing;

class WordingTest {
  private static final RuleAt ELSEWHERE = new RuleAt.StepOpens(PRACTICAL);
  private final Wording wording = new Wording(design(), ENGLISH);

  private String staff(Leaf leaf) {
    return wording.sentence(leaf, ELSEWHERE).line();
  }

  private String learner(Leaf leaf) {
    return wording.sentence(leaf, ELSEWHERE).toDo();
  }

  @Test
  void questions_about_steps_name_the_step() {
    assertThat(staff(new SeenLeaf.Seen(ANATOMY))).isEqualTo("Rim brake anatomy read");
    assertThat(learner(new SeenLeaf.Seen(ANATOMY))).isEqualTo("read “Rim brake anatomy”");
    assertThat(staff(new MarkLeaf.Score(PADS, 0.6, 1)))
        .isEqualTo("Pads, cables, levers scored 60 % or more");
    assertThat(learner(new MarkLeaf.Score(PADS, 0.6, 1)))
        .isEqualTo("score 60 % or more in “Pads, cables, levers”");
    assertThat(staff(new MarkLeaf.Score(PADS, 1, 1))).endsWith("scored 100 %");
    assertThat(staff(new MarkLeaf.Score(PADS, 0, 0.4))).endsWith("scored 40 % or less");
    assertThat(staff(new MarkLeaf.Score(PADS, 0.4, 0.6))).endsWith("scored between 40 % and 60 %");
    assertThat(staff(new AttemptLeaf.Attempted(PADS, 1))).endsWith("1 attempt made");
    assertThat(staff(new AttemptLeaf.Attempted(PADS, 2))).endsWith("2 attempts made");
  }

  @Test
  void films_and_registers_are_said_by_their_share() {
    assertThat(staff(new FilmLeaf.Watched(ANATOMY, 0.9)))
        .isEqualTo("Rim brake anatomy watched 90 % or more");
    assertThat(learner(new FilmLeaf.Watched(ANATOMY, 0.9)))
        .isEqualTo("watch 90 % of “Rim brake anatomy”");
    assertThat(learner(new FilmLeaf.Watched(ANATOMY, 1))).isEqualTo("watch “Rim brake anatomy”");
    assertThat(staff(new Leaf.AttendanceRate(0.75))).isEqualTo("attendance 75 % or more");
    assertThat(learner(new Leaf.SessionsAttended(1))).isEqualTo("attend 1 session");
    assertThat(staff(new Leaf.AttendanceUnder(0.75))).isEqualTo("attendance under 75 %");
  }

  @Test
  void a_steps_own_rule_does_not_repeat_its_name() {
    var own = new RuleAt.StepDone(PADS);
    assertThat(wording.sentence(new MarkLeaf.Score(PADS, 0.6, 1), own).line())
        .isEqualTo("scored 60 % or more");
    assertThat(wording.sentence(new MarkLeaf.Passed(PADS), own).toDo()).isEqualTo("pass it");
  }

  @Test
  void outcomes_are_said_as_something_a_learner_can_do() {
    assertThat(learner(new Leaf.AtMastery(BRAKE)))
        .isEqualTo("set up rim and disc brakes at “On my own”");
    assertThat(learner(new Leaf.EvidenceCount(BRAKE, 3, 2)))
        .isEqualTo("set up rim and disc brakes at “On my own”, shown 3 times");
    assertThat(staff(new Leaf.LevelBelow(BRAKE, 1))).endsWith("below “With help”");
  }

  @Test
  void dates_are_said_in_the_courses_own_time_zone() {
    var from = Instant.parse("2026-11-28T23:00:00Z");
    assertThat(staff(new Leaf.InTime(Optional.of(from), Optional.empty())))
        .isEqualTo("from Sun 29 Nov");
    assertThat(staff(new Leaf.InTime(Optional.empty(), Optional.of(from.plusSeconds(5_400)))))
        .isEqualTo("before Sun 29 Nov, 01:30");
  }

  @Test
  void the_year_stands_with_a_date_unless_it_is_the_one_in_which_it_is_read() {
    var leaf =
        new Leaf.InTime(Optional.of(Instant.parse("2026-11-28T23:00:00Z")), Optional.empty());
    var at = new RuleAt.StepOpens(PRACTICAL);
    Instant newYear = Instant.parse("2026-12-31T23:30:00Z");
    var later = new Wording(design(), at(newYear));
    assertThat(later.sentence(leaf, at).says())
        .as("2027 in Berlin")
        .isEqualTo("from Sun 29 Nov 2026");
    var before = new Wording(design(), at(newYear.minusSeconds(1_801)));
    assertThat(before.sentence(leaf, at).says()).isEqualTo("from Sun 29 Nov");
  }

  @Test
  void joints_read_as_a_sentence_with_brackets_only_where_they_are_needed() {
    var read = ask(new SeenLeaf.Seen(ANATOMY));
    var passed = ask(new MarkLeaf.Passed(PADS));
    var signed = ask(new SignOffLeaf.SignedOff(JOB_CARD));
    assertThat(wording.line(all(read, passed), ELSEWHERE))
        .isEqualTo("Rim brake anatomy read and Pads, cables, levers passed");
    assertThat(wording.line(all(read, any(passed, signed)), ELSEWHERE))
        .isEqualTo(
            "Rim brake anatomy read and (Pads, cables, levers passed or Brake job card signed off by staff)");
    assertThat(wording.line(atLeast(2, read, passed, signed), ELSEWHERE))
        .startsWith("at least 2 of (");
    assertThat(wording.line(none(read), ELSEWHERE)).isEqualTo("none of (Rim brake anatomy read)");
  }

  @Test
  void what_is_gone_is_said_to_be_gone() {
    for (Leaf leaf :
        List.of(
            new SeenLeaf.Seen(new StepId(99)),
            new Leaf.ModuleDone(new ModuleId(99)),
            new Leaf.AtMastery(new OutcomeId(99)),
            new Leaf.HoldsBadge(new BadgeId(99)),
            new Leaf.InGroup(new GroupId(99)),
            new Leaf.CourseComplete(new CourseId(99))))
      assertThat(staff(leaf)).contains("that is gone");
  }

  @Test
  void every_question_says_something_different_to_staff_and_something_to_learners() {
    List<Leaf> all =
        List.of(
            new SeenLeaf.Seen(ANATOMY),
            new TimeLeaf.TimeSpent(ANATOMY, 5),
            new FilmLeaf.Watched(ANATOMY, 0.9),
            new WorkLeaf.HandedIn(JOB_CARD),
            new AttemptLeaf.Attempted(PADS, 2),
            new AttemptLeaf.OnDays(PADS, 2),
            new AttemptLeaf.Improved(PADS, 0.2),
            new PostLeaf.Posted(PADS, 2),
            new PostLeaf.Replied(PADS, 2),
            new WorkLeaf.Marked(JOB_CARD),
            new MarkLeaf.Passed(PADS),
            new MarkLeaf.NotPassed(PADS),
            new MarkLeaf.Score(PADS, 0.6, 1),
            new ConfirmLeaf.Confirmed(ANATOMY),
            new SignOffLeaf.SignedOff(JOB_CARD),
            new Leaf.StepDone(PADS),
            new Leaf.DaysSinceDone(PADS, 2),
            new Leaf.ModuleDone(BRAKES),
            new Leaf.ModuleCount(BRAKES, 2),
            new Leaf.ModuleShare(BRAKES, 0.5),
            new Leaf.QuizzesScored(Optional.of(BRAKES), 1),
            new Leaf.QuizzesScored(Optional.empty(), 0.8),
            new Leaf.LevelAtLeast(BRAKE, 1),
            new Leaf.AtMastery(BRAKE),
            new Leaf.LevelBelow(BRAKE, 1),
            new Leaf.EvidenceCount(BRAKE, 2, 1),
            new Leaf.CourseComplete(COURSE),
            new Leaf.CourseComplete(INDUCTION),
            new Leaf.AttendanceRate(0.75),
            new Leaf.SessionsAttended(5),
            new Leaf.SessionAttended(FIRST_SATURDAY),
            new Leaf.InARow(3, Rhythm.DAYS),
            new Leaf.InARow(3, Rhythm.WEEKS),
            new Leaf.InGroup(SATURDAY),
            new Leaf.OneOf(Set.of(JUNO)),
            new Leaf.HoldsBadge(BRAKE_HAND),
            new Leaf.EnrolledFor(3),
            new Leaf.InTime(Optional.of(START), Optional.empty()),
            new Leaf.QuietFor(7),
            new Leaf.NeverStarted(3),
            new Leaf.Overdue(2),
            new Leaf.BehindBy(7),
            new Leaf.StuckFor(6),
            new Leaf.AttendanceUnder(0.75),
            new Leaf.NoEvidence(BRAKE, START),
            new Leaf.GradeAtLeast(0.6),
            new Leaf.Approved(StaffKind.DESIGNER),
            new Leaf.Approved(StaffKind.SUPPORT),
            new Leaf.OwnWord(),
            new Leaf.HasLeft(),
            new Leaf.RequiredOutOfReach());
    assertThat(all.stream().map(this::staff)).doesNotHaveDuplicates().noneMatch(String::isBlank);
    assertThat(all.stream().map(this::learner)).noneMatch(String::isBlank);
    assertThat(all.stream().map(l -> wording.sentence(l, ELSEWHERE).did()))
        .noneMatch(String::isBlank);
  }

  @Test
  void percentages_are_never_rounded_up_to_what_was_missed() {
    assertThat(percent(0.5999)).isEqualTo("59 %");
    assertThat(percent(0.6)).isEqualTo("60 %");
    assertThat(percent(0.29 / 0.5)).isEqualTo("58 %");
  }

  private static String percent(double share) {
    return ENGLISH.say(Numbers.percent(share));
  }

  private static Writing at(Instant now) {
    return Writing.of(Catalogue.english(), design().zone(), now);
  }
}
