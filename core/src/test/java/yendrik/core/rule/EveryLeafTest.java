package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yendrik.core.Workshop.*;
import static yendrik.core.rule.Verdict.*;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.Refusal;
import yendrik.core.Workshop;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.CourseId;
import yendrik.core.id.FactId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.people.StaffKind;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.plan.Explained;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.confirm.ConfirmFact;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.film.FilmLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostFact;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.signoff.SignOffLeaf;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.strand.time.TimeLeaf;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkLeaf;

/** Each kind of question, before and after the facts that answer it. */
class EveryLeafTest {
  private final Workshop learner = new Workshop();

  /** The answer of a step that opens when {@code leaf}, after these facts. */
  private Explained answer(Leaf leaf, Fact.What... facts) {
    List<Step> steps = new ArrayList<>(steps());
    steps.set(2, opens(steps.get(2), ask(leaf)));
    Progress progress = Progress.begin(CompiledCourse.of(design(steps)), JUNO, START);
    progress.take(learner.fact(new Fact.Enrolled()));
    for (Fact.What what : facts) progress.take(learner.fact(what));
    progress.advance(learner.now());
    return progress.explain(new RuleAt.StepOpens(PRACTICAL)).orElseThrow();
  }

  private Verdict verdict(Leaf leaf, Fact.What... facts) {
    return answer(leaf, facts).verdict();
  }

  private static Fact.What attempt(int number, double points) {
    return new AttemptFact.FinishedAttempt(PADS, number, points, 15);
  }

  @Test
  void seen() {
    assertThat(verdict(new SeenLeaf.Seen(ANATOMY))).isEqualTo(NOT_YET);
    assertThat(answer(new SeenLeaf.Seen(ANATOMY)).turn()).isEqualTo(Turn.LEARNER);
    assertThat(verdict(new SeenLeaf.Seen(ANATOMY), new SeenFact.Saw(ANATOMY))).isEqualTo(MET);
    assertThat(verdict(new SeenLeaf.Seen(ANATOMY), new SeenFact.Saw(PADS)))
        .as("another step does not count")
        .isEqualTo(NOT_YET);
  }

  @Test
  void time_spent_adds_up_over_visits() {
    var leaf = new TimeLeaf.TimeSpent(ANATOMY, 5);
    var half = answer(leaf, new TimeFact.SpentTime(ANATOMY, 150));
    assertThat(half.verdict()).isEqualTo(NOT_YET);
    assertThat(half.fraction()).isCloseTo(0.5, Offset.offset(1e-9));
    assertThat(
            verdict(
                leaf, new TimeFact.SpentTime(ANATOMY, 150), new TimeFact.SpentTime(ANATOMY, 150)))
        .isEqualTo(MET);
    assertThat(verdict(leaf, new TimeFact.SpentTime(ANATOMY, 299))).isEqualTo(NOT_YET);
  }

  @Test
  void watched_counts_every_second_of_a_film_once() {
    var leaf = new FilmLeaf.Watched(ANATOMY, 0.8);
    var first = new FilmFact.Watched(ANATOMY, 0, 40, 100);
    assertThat(verdict(leaf)).isEqualTo(NOT_YET);
    assertThat(answer(leaf, first, first).fraction()).isEqualTo(0.5);
    assertThat(verdict(leaf, first, new FilmFact.Watched(ANATOMY, 30, 79, 100))).isEqualTo(NOT_YET);
    assertThat(verdict(leaf, first, new FilmFact.Watched(ANATOMY, 30, 80, 100))).isEqualTo(MET);
    assertThat(verdict(leaf, first, new FilmFact.Watched(ANATOMY, 60, 100, 100)))
        .as("parts may lie apart")
        .isEqualTo(MET);
    assertThat(
            verdict(
                leaf,
                new FilmFact.Watched(ANATOMY, 0, 99, 100),
                new FilmFact.Watched(ANATOMY, 0, 5, 60)))
        .as("another film took its place")
        .isEqualTo(NOT_YET);
  }

  private static Fact.What mark(SessionId session, StatusId status) {
    return new Fact.Attendance(session, status);
  }

  @Test
  void attendance_leaves_out_what_one_gave_notice_of_and_takes_the_newest_mark() {
    var leaf = new Leaf.AttendanceRate(0.75);
    assertThat(verdict(leaf)).as("nothing was marked yet").isEqualTo(NOT_YET);
    var late = mark(FIRST_SATURDAY, LATE);
    var absent = mark(SECOND_SATURDAY, ABSENT);
    assertThat(verdict(leaf, late)).isEqualTo(MET);
    assertThat(verdict(leaf, late, absent)).isEqualTo(NOT_YET);
    assertThat(answer(leaf, late, absent).fraction()).isCloseTo(2.0 / 3, Offset.offset(1e-9));
    assertThat(verdict(leaf, late, absent, mark(SECOND_SATURDAY, WITH_NOTICE))).isEqualTo(MET);
    assertThat(verdict(leaf, late, absent, mark(SECOND_SATURDAY, PRESENT))).isEqualTo(MET);
    assertThat(verdict(leaf, mark(FIRST_SATURDAY, WITH_NOTICE))).isEqualTo(NOT_YET);
  }

  @Test
  void the_grade_so_far_counts_what_is_scored_only() {
    var leaf = new Leaf.GradeAtLeast(0.6);
    assertThat(verdict(leaf)).as("nothing is scored").isEqualTo(NOT_YET);
    assertThat(answer(leaf, attempt(1, 6)).fraction()).isCloseTo(2.0 / 3, Offset.offset(1e-9));
    assertThat(verdict(leaf, attempt(1, 9))).isEqualTo(MET);
  }

  @Test
  void approval_asks_for_one_kind_of_staff_and_the_own_word_for_the_learner() {
    var leaf = new Leaf.Approved(StaffKind.FACILITATOR);
    assertThat(answer(leaf).turn()).isEqualTo(Turn.STAFF);
    assertThat(verdict(leaf, new Fact.Approved(StaffKind.DESIGNER, ""))).isEqualTo(NOT_YET);
    assertThat(verdict(leaf, new Fact.Approved(StaffKind.FACILITATOR, "seen"))).isEqualTo(MET);
    assertThat(answer(new Leaf.OwnWord()).turn()).isEqualTo(Turn.LEARNER);
    assertThat(verdict(new Leaf.OwnWord(), new Fact.OwnWord())).isEqualTo(MET);
  }

  @Test
  void leaving_completes_a_course_that_asks_for_it() {
    CourseDesign design =
        CourseDesignBuilder.builder(design(steps()))
            .completeWhen(Optional.of(ask(new Leaf.HasLeft())))
            .build();
    Progress progress = Progress.begin(CompiledCourse.of(design), JUNO, START);
    progress.take(learner.fact(new Fact.Enrolled()));
    assertThat(progress.completedAt()).isEmpty();
    progress.take(learner.fact(new Fact.LeftCourse()));
    assertThat(progress.completedAt()).isPresent();
  }

  @Test
  void sessions_attended_are_counted() {
    var leaf = new Leaf.SessionsAttended(2);
    var one = answer(leaf, mark(FIRST_SATURDAY, PRESENT), mark(SECOND_SATURDAY, ABSENT));
    assertThat(one.verdict()).isEqualTo(NOT_YET);
    assertThat(one.fraction()).isEqualTo(0.5);
    assertThat(verdict(leaf, mark(FIRST_SATURDAY, PRESENT), mark(THIRD_SATURDAY, LATE)))
        .isEqualTo(MET);
  }

  @Test
  void one_session_can_be_meant() {
    var leaf = new Leaf.SessionAttended(FIRST_SATURDAY);
    assertThat(verdict(leaf, mark(SECOND_SATURDAY, PRESENT))).isEqualTo(NOT_YET);
    assertThat(verdict(leaf, mark(FIRST_SATURDAY, ABSENT))).isEqualTo(NOT_YET);
    assertThat(verdict(leaf, mark(FIRST_SATURDAY, ABSENT), mark(FIRST_SATURDAY, LATE)))
        .isEqualTo(MET);
  }

  @Test
  void days_and_weeks_in_a_row_are_those_of_the_course_and_stay_once_they_were_reached() {
    var days = new Leaf.InARow(2, Rhythm.DAYS);
    var weeks = new Leaf.InARow(2, Rhythm.WEEKS);
    List<Step> steps = new ArrayList<>(steps());
    steps.set(2, opens(steps.get(2), any(ask(days), ask(weeks))));
    Progress progress = Progress.begin(CompiledCourse.of(design(steps)), JUNO, START);
    assertThat(inARow(progress)).isEqualTo("0 0");
    hereAt(progress, "2026-10-16T21:30:00Z");
    hereAt(progress, "2026-10-16T22:30:00Z");
    assertThat(inARow(progress)).as("Friday and Saturday in Berlin").isEqualTo("2 1");
    hereAt(progress, "2026-10-18T12:00:00Z");
    hereAt(progress, "2026-10-20T12:00:00Z");
    assertThat(inARow(progress)).as("the best row, and the week after").isEqualTo("3 2");
    assertThat(progress.record().lastInARow(Rhythm.DAYS)).isEqualTo(1);
    assertThat(progress.copy().record().sums()).isEqualTo(progress.record().sums());
  }

  private static String inARow(Progress progress) {
    LearnerRecord record = progress.record();
    return record.mostInARow(Rhythm.DAYS) + " " + record.mostInARow(Rhythm.WEEKS);
  }

  private static void hereAt(Progress progress, String moment) {
    progress.take(
        new Fact(
            new FactId(Instant.parse(moment).toEpochMilli()),
            Instant.parse(moment),
            Optional.empty(),
            new Fact.WasHere(),
            Optional.empty()));
  }

  @Test
  void posts_and_replies_are_counted_apart() {
    var post = new PostFact.Posted(ANATOMY, new PostId(1));
    var reply = new PostFact.Replied(ANATOMY, new PostId(2));
    waits(answer(new PostLeaf.Posted(ANATOMY, 2), post, reply), 0.5, Turn.LEARNER);
    assertThat(verdict(new PostLeaf.Posted(ANATOMY, 1), post)).isEqualTo(MET);
    assertThat(verdict(new PostLeaf.Replied(ANATOMY, 1), post)).isEqualTo(NOT_YET);
    assertThat(verdict(new PostLeaf.Replied(ANATOMY, 1), reply)).isEqualTo(MET);
  }

  @Test
  void attempted_counts_finished_attempts_only() {
    var leaf = new AttemptLeaf.Attempted(PADS, 2);
    assertThat(verdict(leaf, attempt(1, 0), new AttemptFact.StartedAttempt(PADS, 2)))
        .isEqualTo(NOT_YET);
    assertThat(verdict(leaf, attempt(1, 0), attempt(2, 0))).isEqualTo(MET);
    assertThat(verdict(new AttemptLeaf.Attempted(PADS, 4)))
        .as("there are three attempts only")
        .isEqualTo(OUT_OF_REACH);
  }

  @Test
  void score_is_of_the_best_attempt_and_both_ends_belong_to_it() {
    assertThat(verdict(new MarkLeaf.Score(PADS, 0.6, 1), attempt(1, 9))).isEqualTo(MET);
    assertThat(verdict(new MarkLeaf.Score(PADS, 0.6, 1), attempt(1, 8.9))).isEqualTo(NOT_YET);
    assertThat(verdict(new MarkLeaf.Score(PADS, 0.6, 1), attempt(1, 9), attempt(2, 3)))
        .isEqualTo(MET);
    assertThat(verdict(new MarkLeaf.Score(PADS, 0, 0.2), attempt(1, 3))).isEqualTo(MET);
    assertThat(verdict(new MarkLeaf.Score(PADS, 0, 0.2)))
        .as("nothing scored yet")
        .isEqualTo(NOT_YET);
    assertThat(
            verdict(new MarkLeaf.Score(PADS, 0.6, 1), attempt(1, 1), attempt(2, 1), attempt(3, 1)))
        .isEqualTo(OUT_OF_REACH);
  }

  @Test
  void passed_and_not_passed_both_wait_for_a_mark() {
    assertThat(verdict(new MarkLeaf.Passed(PADS))).isEqualTo(NOT_YET);
    assertThat(verdict(new MarkLeaf.NotPassed(PADS))).isEqualTo(NOT_YET);
    assertThat(verdict(new MarkLeaf.Passed(PADS), attempt(1, 12))).isEqualTo(MET);
    assertThat(verdict(new MarkLeaf.NotPassed(PADS), attempt(1, 12))).isEqualTo(OUT_OF_REACH);
    assertThat(verdict(new MarkLeaf.NotPassed(PADS), attempt(1, 2))).isEqualTo(MET);
    assertThat(verdict(new MarkLeaf.NotPassed(PADS), attempt(1, 2), attempt(2, 12)))
        .isNotEqualTo(MET);
  }

  @Test
  void handed_in_marked_and_staffs_turn() {
    var handedIn = new WorkFact.HandedIn(JOB_CARD, 1);
    assertThat(verdict(new WorkLeaf.HandedIn(JOB_CARD), handedIn)).isEqualTo(MET);
    var waiting = answer(new WorkLeaf.Marked(JOB_CARD), handedIn);
    assertThat(waiting.verdict()).isEqualTo(NOT_YET);
    assertThat(waiting.turn()).isEqualTo(Turn.STAFF);
    assertThat(
            verdict(
                new WorkLeaf.Marked(JOB_CARD),
                handedIn,
                new WorkFact.Marked(JOB_CARD, 1, 2, 20, Judgement.AGAIN, "")))
        .isEqualTo(MET);
  }

  @Test
  void signed_off_is_staffs_to_do() {
    var leaf = new SignOffLeaf.SignedOff(ANATOMY);
    assertThat(answer(leaf).turn()).isEqualTo(Turn.STAFF);
    assertThat(verdict(leaf, new SignOffFact.SignedOff(ANATOMY, "clean"))).isEqualTo(MET);
  }

  @Test
  void confirmed() {
    assertThat(verdict(new ConfirmLeaf.Confirmed(ANATOMY), new SeenFact.Saw(ANATOMY)))
        .isEqualTo(NOT_YET);
    assertThat(verdict(new ConfirmLeaf.Confirmed(ANATOMY), new ConfirmFact.Confirmed(ANATOMY)))
        .isEqualTo(MET);
  }

  @Test
  void days_since_done_wait_for_the_exact_moment() {
    var leaf = new Leaf.DaysSinceDone(ANATOMY, 3);
    assertThat(verdict(leaf)).isEqualTo(NOT_YET);
    var seen = answer(leaf, new SeenFact.Saw(ANATOMY));
    assertThat(seen.turn()).isEqualTo(Turn.CLOCK);
    assertThat(seen.next()).isEqualTo(learner.now().plus(Duration.ofDays(3)).toEpochMilli());
  }

  @Test
  void days_since_done_are_over_at_the_moment_itself() {
    var leaf = new Leaf.DaysSinceDone(ANATOMY, 1);
    Explained before = answer(leaf, minutesAfterSeeing(1_439));
    assertThat(before.verdict()).isEqualTo(NOT_YET);
    assertThat(before.fraction()).isCloseTo(1_439 / 1_440.0, HAIR);
    assertThat(new EveryLeafTest().verdict(leaf, minutesAfterSeeing(1_440))).isEqualTo(MET);
  }

  private static Fact.What[] minutesAfterSeeing(int minutes) {
    List<Fact.What> facts = new ArrayList<>(List.of(new SeenFact.Saw(ANATOMY)));
    facts.addAll(Collections.nCopies(minutes, new Fact.WasHere()));
    return facts.toArray(Fact.What[]::new);
  }

  @Test
  void days_since_a_step_that_cannot_be_done_any_more_never_begin() {
    var leaf = new Leaf.DaysSinceDone(PADS, 1);
    lost(answer(leaf, attempt(1, 0), attempt(2, 0), attempt(3, 0)), 0);
    waits(answer(leaf, attempt(1, 0)), 0, Turn.LEARNER);
    var excused = answer(leaf, new Fact.Excused(PADS, ""));
    assertThat(excused.verdict()).as("nobody waits for what one need not do").isEqualTo(WAIVED);
  }

  @Test
  void all_quizzes_ask_for_a_score_in_each_that_is_required() {
    var full = new Leaf.QuizzesScored(Optional.of(BRAKES), 1);
    var most = new Leaf.QuizzesScored(Optional.empty(), 0.8);
    assertThat(verdict(full)).isEqualTo(NOT_YET);
    assertThat(verdict(full, attempt(1, 12))).isEqualTo(NOT_YET);
    assertThat(verdict(most, attempt(1, 12))).isEqualTo(MET);
    assertThat(verdict(full, attempt(1, 15))).isEqualTo(MET);
    assertThat(verdict(full, attempt(1, 15), attempt(2, 3))).as("the best counts").isEqualTo(MET);
    assertThat(verdict(full, attempt(1, 12), attempt(2, 12), attempt(3, 12)))
        .as("no attempt is left")
        .isEqualTo(OUT_OF_REACH);
  }

  @Test
  void module_count_and_share_go_by_required_steps() {
    var two = new Leaf.ModuleCount(BRAKES, 2);
    assertThat(verdict(two, new SeenFact.Saw(ANATOMY), new SeenFact.Saw(SECOND_LOOK)))
        .as("help counts nowhere")
        .isEqualTo(NOT_YET);
    assertThat(verdict(two, new SeenFact.Saw(ANATOMY), attempt(1, 15))).isEqualTo(MET);
    assertThat(
            verdict(new Leaf.ModuleShare(BRAKES, 0.5), new SeenFact.Saw(ANATOMY), attempt(1, 15)))
        .isEqualTo(MET);
    assertThat(
            verdict(new Leaf.ModuleShare(BRAKES, 0.51), new SeenFact.Saw(ANATOMY), attempt(1, 15)))
        .as("the third of four would be the very step that waits")
        .isEqualTo(OUT_OF_REACH);
  }

  @Test
  void outcomes_go_by_the_level_that_the_evidence_amounts_to() {
    var weak = new Fact.Rated(SAFE, 1, Optional.empty(), 0);
    var strong = new Fact.Rated(SAFE, 2, Optional.empty(), 0);
    assertThat(verdict(new Leaf.AtMastery(SAFE))).isEqualTo(NOT_YET);
    assertThat(verdict(new Leaf.AtMastery(SAFE), weak)).isEqualTo(NOT_YET);
    assertThat(verdict(new Leaf.AtMastery(SAFE), weak, strong)).isEqualTo(MET);
    assertThat(verdict(new Leaf.AtMastery(SAFE), strong, weak))
        .as("the newest counts, and nothing keeps an opening rule met")
        .isEqualTo(NOT_YET);
    assertThat(verdict(new Leaf.LevelAtLeast(SAFE, 1), weak)).isEqualTo(MET);
    assertThat(verdict(new Leaf.LevelBelow(SAFE, 2)))
        .as("nobody is below a level without evidence")
        .isEqualTo(NOT_YET);
    assertThat(verdict(new Leaf.LevelBelow(SAFE, 2), weak)).isEqualTo(MET);
  }

  @Test
  void pieces_of_evidence_are_counted_at_a_level_or_above() {
    var leaf = new Leaf.EvidenceCount(SAFE, 2, 2);
    var strong = new Fact.Rated(SAFE, 3, Optional.empty(), 0);
    var weak = new Fact.Rated(SAFE, 1, Optional.empty(), 0);
    assertThat(answer(leaf, strong, weak).fraction()).isEqualTo(0.5);
    assertThat(verdict(leaf, strong, weak, strong)).isEqualTo(MET);
  }

  @Test
  void groups_and_named_people() {
    assertThat(verdict(new Leaf.InGroup(SATURDAY))).isEqualTo(NOT_YET);
    assertThat(verdict(new Leaf.InGroup(SATURDAY), new Fact.JoinedGroup(SATURDAY))).isEqualTo(MET);
    assertThat(
            verdict(
                new Leaf.InGroup(SATURDAY),
                new Fact.JoinedGroup(SATURDAY),
                new Fact.LeftGroup(SATURDAY)))
        .isEqualTo(NOT_YET);
    assertThat(verdict(new Leaf.OneOf(Set.of(JUNO)))).isEqualTo(MET);
    assertThat(verdict(new Leaf.OneOf(Set.of(new PersonId(99))))).isEqualTo(OUT_OF_REACH);
  }

  @Test
  void badges_and_other_courses() {
    assertThat(verdict(new Leaf.HoldsBadge(BRAKE_HAND)))
        .as("the badge asks for the very step that waits for it")
        .isEqualTo(OUT_OF_REACH);
    assertThat(verdict(new Leaf.HoldsBadge(BRAKE_HAND), new Fact.BadgeIssued(BRAKE_HAND, "seen")))
        .isEqualTo(MET);
    assertThat(verdict(new Leaf.CourseComplete(INDUCTION), new Fact.CompletedCourse(INDUCTION)))
        .isEqualTo(MET);
    assertThat(
            verdict(new Leaf.CourseComplete(INDUCTION), new Fact.CompletedCourse(new CourseId(77))))
        .isEqualTo(NOT_YET);
  }

  @Test
  void dates_include_their_beginning_and_exclude_their_end() {
    Instant soon = START.plus(Duration.ofDays(1));
    assertThat(answer(new Leaf.InTime(Optional.of(soon), Optional.empty())).next())
        .isEqualTo(soon.toEpochMilli());
    assertThat(verdict(new Leaf.InTime(Optional.of(START), Optional.empty()))).isEqualTo(MET);
    assertThat(verdict(new Leaf.InTime(Optional.empty(), Optional.of(START))))
        .isEqualTo(OUT_OF_REACH);
    assertThat(answer(new Leaf.InTime(Optional.of(START), Optional.of(soon))).next())
        .isEqualTo(soon.toEpochMilli());
  }

  @Test
  void enrolled_for_counts_from_enrolment() {
    var leaf = new Leaf.EnrolledFor(2);
    assertThat(answer(leaf).turn()).isEqualTo(Turn.CLOCK);
    learner.later(Duration.ofDays(3));
    assertThat(verdict(leaf)).as("enrolled later, counted later").isEqualTo(NOT_YET);
  }

  @Test
  void questions_that_make_no_sense_cannot_be_asked() {
    for (Runnable nonsense :
        List.<Runnable>of(
            () -> new MarkLeaf.Score(PADS, 0.7, 0.6),
            () -> new MarkLeaf.Score(PADS, -0.1, 1),
            () -> new AttemptLeaf.Attempted(PADS, 0),
            () -> new AttemptLeaf.OnDays(PADS, 0),
            () -> new AttemptLeaf.Improved(PADS, 0),
            () -> new AttemptLeaf.Improved(PADS, 1.1),
            () -> new PostLeaf.Posted(PADS, 0),
            () -> new PostLeaf.Replied(PADS, 0),
            () -> new TimeLeaf.TimeSpent(PADS, 0),
            () -> new FilmLeaf.Watched(PADS, 0),
            () -> new FilmLeaf.Watched(PADS, 1.1),
            () -> new Leaf.AttendanceRate(0),
            () -> new Leaf.SessionsAttended(0),
            () -> new Leaf.AttendanceUnder(2),
            () -> new Leaf.ModuleShare(BRAKES, 0),
            () -> new Leaf.InTime(Optional.empty(), Optional.empty()),
            () -> new Leaf.InTime(Optional.of(START), Optional.of(START)),
            () -> new Leaf.QuietFor(-1)))
      assertThatThrownBy(nonsense::run).isInstanceOf(Refusal.class);
  }

  private static final Offset<Double> HAIR = Offset.offset(1e-9);

  private void waits(Explained answer, double fraction, Turn turn) {
    assertThat(answer.verdict()).isEqualTo(NOT_YET);
    assertThat(answer.fraction()).isCloseTo(fraction, HAIR);
    assertThat(answer.turn()).isEqualTo(turn);
  }

  private void lost(Explained answer, double fraction) {
    assertThat(answer.verdict()).isEqualTo(OUT_OF_REACH);
    assertThat(answer.fraction()).isCloseTo(fraction, HAIR);
  }

  @Test
  void a_score_says_how_far_it_is_whose_turn_and_when_it_is_too_late() {
    var leaf = new MarkLeaf.Score(PADS, 0.6, 1);
    waits(answer(leaf, attempt(1, 3)), 0.2 / 0.6, Turn.LEARNER);
    lost(answer(leaf, attempt(1, 3), attempt(2, 6), attempt(3, 1)), 0.4 / 0.6);
    assertThat(verdict(leaf, attempt(1, 9))).as("just enough").isEqualTo(MET);
    var between = new MarkLeaf.Score(PADS, 0.4, 0.6);
    assertThat(verdict(between, attempt(1, 9))).as("just not too much").isEqualTo(MET);
    lost(answer(between, attempt(1, 9.5)), 0);
    var any = new MarkLeaf.Score(PADS, 0, 1);
    waits(answer(any), 0, Turn.LEARNER);
    waits(answer(any, new WorkFact.HandedIn(PADS, 1)), 0, Turn.STAFF);
  }

  @Test
  void passed_and_attempted_say_how_far_they_are() {
    var passed = new MarkLeaf.Passed(PADS);
    waits(answer(passed, attempt(1, 6)), 0.4, Turn.LEARNER);
    lost(answer(passed, attempt(1, 6), attempt(2, 3), attempt(3, 0)), 0.4);
    waits(
        answer(new MarkLeaf.Passed(JOB_CARD), new WorkFact.HandedIn(JOB_CARD, 1)), 0.5, Turn.STAFF);
    waits(answer(new AttemptLeaf.Attempted(PADS, 3), attempt(1, 3)), 1 / 3.0, Turn.LEARNER);
    assertThat(verdict(new AttemptLeaf.Attempted(PADS, 2), attempt(1, 3), attempt(2, 3)))
        .isEqualTo(MET);
    lost(answer(new AttemptLeaf.Attempted(PADS, 4), attempt(1, 3)), 0.25);
  }

  @Test
  void going_on_is_rewarded_by_days_and_by_what_was_gained_since_the_first_attempt() {
    var days = new AttemptLeaf.OnDays(PADS, 2);
    waits(answer(days, attempt(1, 3), attempt(2, 6)), 0.5, Turn.LEARNER);
    lost(answer(days, attempt(1, 3), attempt(2, 6), attempt(3, 6)), 0.5);
    assertThat(verdict(new AttemptLeaf.OnDays(PADS, 1), attempt(1, 3))).isEqualTo(MET);
    var better = new AttemptLeaf.Improved(PADS, 0.4);
    waits(answer(better), 0, Turn.LEARNER);
    waits(answer(better, attempt(1, 3), attempt(2, 6)), 0.5, Turn.LEARNER);
    assertThat(verdict(better, attempt(1, 3), attempt(2, 9), attempt(3, 0))).isEqualTo(MET);
    lost(answer(better, attempt(1, 3), attempt(2, 6), attempt(3, 0)), 0.5);
    lost(answer(better, attempt(1, 12)), 0);
  }

  @Test
  void days_say_how_many_of_them_are_over_and_when_they_will_be() {
    var enrolled = new Leaf.EnrolledFor(4);
    Explained answer = answer(enrolled, new Fact.WasHere());
    long from = START.plusSeconds(60).toEpochMilli();
    assertThat(answer.next()).isEqualTo(from + 4 * 86_400_000L);
    var tenthOfADay = Collections.nCopies(144, new Fact.WasHere()).toArray(Fact.What[]::new);
    assertThat(answer(enrolled, tenthOfADay).fraction()).isCloseTo(0.025, HAIR);

    var fresh = new EveryLeafTest();
    var since = new Leaf.DaysSinceDone(ANATOMY, 2);
    Explained asked = fresh.answer(since, new SeenFact.Saw(ANATOMY));
    assertThat(asked.verdict()).isEqualTo(NOT_YET);
    assertThat(asked.fraction()).isZero();
    assertThat(asked.next()).isEqualTo(fresh.learner.now().plus(Duration.ofDays(2)).toEpochMilli());
    waits(new EveryLeafTest().answer(since), 0, Turn.LEARNER);
    var used = new Fact.What[] {attempt(1, 0), attempt(2, 0), attempt(3, 0)};
    lost(new EveryLeafTest().answer(new Leaf.DaysSinceDone(PADS, 2), used), 0);
  }

  @Test
  void a_rate_of_attendance_that_is_just_enough_is_enough() {
    var leaf = new Leaf.AttendanceRate(0.5);
    var there = mark(FIRST_SATURDAY, PRESENT);
    var absent = mark(SECOND_SATURDAY, ABSENT);
    assertThat(verdict(leaf, there, absent)).isEqualTo(MET);
    waits(answer(leaf, there, absent, mark(THIRD_SATURDAY, ABSENT)), 2 / 3.0, Turn.LEARNER);
    waits(answer(leaf), 0, Turn.LEARNER);
  }

  @Test
  void a_level_is_the_learners_turn_where_a_step_gives_evidence_and_staffs_elsewhere() {
    assertThat(answer(new Leaf.AtMastery(BRAKE)).turn()).isEqualTo(Turn.LEARNER);
    assertThat(answer(new Leaf.AtMastery(BRAKE), new WorkFact.HandedIn(JOB_CARD, 1)).turn())
        .isEqualTo(Turn.STAFF);
    assertThat(answer(new Leaf.AtMastery(SAFE)).turn()).as("no step is tied").isEqualTo(Turn.STAFF);
    assertThat(
            answer(
                    new Leaf.AtMastery(BRAKE),
                    new Fact.Excused(PADS, ""),
                    new Fact.Excused(JOB_CARD, ""))
                .turn())
        .as("excused from every one")
        .isEqualTo(Turn.STAFF);
  }

  @Test
  void parts_of_a_module_say_how_far_they_are_whose_turn_and_when_it_is_too_late() {
    waits(answer(new Leaf.ModuleCount(BRAKES, 2)), 0, Turn.LEARNER);
    waits(answer(new Leaf.ModuleCount(BRAKES, 2), new SeenFact.Saw(ANATOMY)), 0.5, Turn.LEARNER);
    waits(answer(new Leaf.ModuleShare(BRAKES, 0.5), new SeenFact.Saw(ANATOMY)), 0.5, Turn.LEARNER);
    var used = new Fact.What[] {attempt(1, 0), attempt(2, 0), attempt(3, 0)};
    lost(answer(new Leaf.ModuleCount(BRAKES, 4), used), 0);
    var all = new Leaf.ModuleShare(BRAKES, 1);
    assertThat(answer(all, new SeenFact.Saw(ANATOMY)).fraction()).isEqualTo(0.25);
    assertThat(
            verdict(
                new Leaf.ModuleCount(BRAKES, 9),
                new Fact.Excused(ANATOMY, ""),
                new Fact.Excused(PADS, ""),
                new Fact.Excused(PRACTICAL, ""),
                new Fact.Excused(JOB_CARD, "")))
        .as("nothing is left that counts")
        .isEqualTo(WAIVED);
    assertThat(
            verdict(
                new Leaf.ModuleCount(BRAKES, 9),
                new SeenFact.Saw(ANATOMY),
                new Fact.Excused(PADS, ""),
                new Fact.Excused(PRACTICAL, ""),
                new Fact.Excused(JOB_CARD, "")))
        .as("no more is asked than there is")
        .isEqualTo(MET);
  }

  @Test
  void a_level_is_as_far_as_the_levels_below_it() {
    var leaf = new Leaf.LevelAtLeast(SAFE, 3);
    assertThat(answer(leaf).fraction()).isZero();
    assertThat(answer(leaf, new Fact.Rated(SAFE, 0, Optional.empty(), 0)).fraction())
        .isEqualTo(0.25);
    assertThat(answer(leaf, new Fact.Rated(SAFE, 2, Optional.empty(), 0)).fraction())
        .isEqualTo(0.75);
  }
}
