package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.StepBuilder;
import yendrik.core.Workshop;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.watch.Reason;
import yendrik.core.watch.Reasons;

class ALearnersWayTest {
  private final Workshop learner = new Workshop();
  private Progress progress = begin(design());

  private Progress begin(CourseDesign design) {
    Progress begun = Progress.begin(CompiledCourse.of(design), JUNO, START);
    begun.take(learner.fact(new Fact.Enrolled()));
    return begun;
  }

  private List<Decision> take(Fact.What what) {
    return progress.take(learner.fact(what));
  }

  private Bead bead(StepId step) {
    return progress.bead(progress.course().index().number(step));
  }

  private void attempt(int number, double points) {
    take(new AttemptFact.StartedAttempt(PADS, number));
    take(new AttemptFact.FinishedAttempt(PADS, number, points, 15));
  }

  private static List<Step> replace(Step changed) {
    List<Step> steps = new ArrayList<>(steps());
    steps.replaceAll(s -> s.id().equals(changed.id()) ? changed : s);
    return steps;
  }

  private static Step stepOf(StepId id) {
    return steps().stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
  }

  @Test
  void at_first_only_what_has_no_rule_is_open() {
    assertThat(progress.thread()).hasSize(5);
    assertThat(bead(ANATOMY).state()).isEqualTo(StepState.OPEN);
    assertThat(bead(PADS).state()).isEqualTo(StepState.OPEN);
    assertThat(bead(PRACTICAL).state()).isEqualTo(StepState.CLOSED);
    assertThat(bead(SECOND_LOOK).state()).isEqualTo(StepState.CLOSED);
  }

  @Test
  void a_passed_quiz_opens_what_waits_for_it_and_says_so() {
    take(new AttemptFact.StartedAttempt(PADS, 1));
    assertThat(bead(PADS).state()).isEqualTo(StepState.BEGUN);
    List<Decision> decisions = take(new AttemptFact.FinishedAttempt(PADS, 1, 9, 15));
    assertThat(decisions)
        .extracting(Object::getClass)
        .containsExactlyInAnyOrder((Class) Decision.Done.class, Decision.Opened.class);
    assertThat(bead(PRACTICAL).state()).isEqualTo(StepState.OPEN);
  }

  @Test
  void used_up_attempts_put_all_that_follows_out_of_reach_and_name_the_cause() {
    attempt(1, 5);
    assertThat(bead(PADS)).isEqualTo(new Bead(StepState.AGAIN, false, false));
    assertThat(bead(SECOND_LOOK).state()).isEqualTo(StepState.OPEN);
    attempt(2, 8);
    attempt(3, 6);
    assertThat(bead(PADS)).isEqualTo(new Bead(StepState.AGAIN, false, true));
    assertThat(bead(PRACTICAL)).isEqualTo(new Bead(StepState.CLOSED, false, true));
    assertThat(bead(JOB_CARD).outOfReach()).isTrue();
    int stuck = 3;
    assertThat(progress.flaggedAt(stuck)).isPresent();
    assertThat(new Reasons(progress, ENGLISH).of(stuck).stream().map(Reason::says))
        .containsExactly(
            "“Pads, cables, levers” can no longer be done. All 3 attempts used, best 53 %. It holds 2 later steps shut.");
    take(new Fact.AttemptsAdded(PADS, 1));
    assertThat(bead(PRACTICAL).outOfReach()).isFalse();
    assertThat(progress.flaggedAt(stuck)).isEmpty();
  }

  @Test
  void the_whole_module_earns_the_badge_and_completes_the_course() {
    take(new SeenFact.Saw(ANATOMY));
    attempt(1, 15);
    take(new SignOffFact.SignedOff(PRACTICAL, ""));
    take(new WorkFact.HandedIn(JOB_CARD, 1));
    assertThat(bead(JOB_CARD).state()).isEqualTo(StepState.WAITING);
    take(new WorkFact.Marked(JOB_CARD, 1, 8, 20, Judgement.AGAIN, "Say which pad."));
    assertThat(bead(JOB_CARD).state()).isEqualTo(StepState.AGAIN);
    take(new WorkFact.HandedIn(JOB_CARD, 2));
    assertThat(bead(JOB_CARD).state()).isEqualTo(StepState.WAITING);
    List<Decision> decisions =
        take(new WorkFact.Marked(JOB_CARD, 2, 16, 20, Judgement.PASSED, "Clear."));
    assertThat(decisions)
        .hasAtLeastOneElementOfType(Decision.BadgeEarned.class)
        .hasAtLeastOneElementOfType(Decision.CourseCompleted.class);
    assertThat(progress.share()).isEqualTo(1);
  }

  @Test
  void what_opened_stays_open_unless_the_step_follows_its_rule() {
    StepId watched = SECOND_LOOK;
    progress = begin(design(replace(Workshop.followsItsRule(stepOf(watched)))));
    attempt(1, 5);
    assertThat(bead(watched).state()).isEqualTo(StepState.OPEN);
    attempt(2, 15);
    assertThat(bead(watched).state()).isEqualTo(StepState.CLOSED);
  }

  @Test
  void done_stays_done_when_the_rule_grows_stricter() {
    attempt(1, 10);
    var stricter =
        Workshop.step(
            PADS,
            "Pads, cables, levers",
            stepOf(PADS).kind(),
            ask(new MarkLeaf.Score(PADS, 0.9, 1)));
    var next = CompiledCourse.of(design(replace(stricter)));
    progress = progress.under(next, learner.all, learner.later(Duration.ofDays(1)).now());
    assertThat(bead(PADS).state()).isEqualTo(StepState.DONE);
  }

  @Test
  void a_window_opens_and_ends_by_the_clock_alone() {
    var from = START.plus(Duration.ofDays(2));
    var until = START.plus(Duration.ofDays(5));
    progress =
        begin(
            design(replace(Workshop.window(stepOf(ANATOMY), from, from.plusSeconds(3600), until))));
    assertThat(bead(ANATOMY).state()).isEqualTo(StepState.CLOSED);
    assertThat(progress.nextMoment()).isEqualTo(from.toEpochMilli());
    progress.advance(from);
    assertThat(bead(ANATOMY)).isEqualTo(new Bead(StepState.OPEN, false, false));
    progress.advance(from.plusSeconds(3600));
    assertThat(bead(ANATOMY).overdue()).isTrue();
    progress.advance(until);
    assertThat(bead(ANATOMY)).isEqualTo(new Bead(StepState.MISSED, true, true));
  }

  @Test
  void late_work_is_taken_until_its_date_and_the_step_can_be_looked_at_afterwards() {
    Instant due = START.plus(Duration.ofDays(2));
    Instant late = START.plus(Duration.ofDays(4));
    var window =
        new Step.Window(Optional.empty(), Optional.of(due), Optional.of(late), Optional.empty());
    progress = begin(design(replace(StepBuilder.builder(stepOf(ANATOMY)).window(window).build())));
    int s = progress.course().index().number(ANATOMY);
    progress.advance(due);
    assertThat(bead(ANATOMY)).isEqualTo(new Bead(StepState.OPEN, true, false));
    assertThat(progress.record().late(s, due.toEpochMilli())).isTrue();
    assertThat(progress.record().late(s, due.toEpochMilli() - 1)).isFalse();
    progress.advance(late);
    assertThat(bead(ANATOMY)).isEqualTo(new Bead(StepState.MISSED, true, true));
    assertThat(progress.sight().open(s)).isTrue();
    assertThat(progress.sight().usable(s)).isFalse();
    take(new Fact.DueMoved(ANATOMY, late.plus(Duration.ofDays(1))));
    assertThat(bead(ANATOMY)).isEqualTo(new Bead(StepState.OPEN, false, false));
  }

  @Test
  void an_excused_step_drops_out_of_every_rule_and_of_the_percentage() {
    attempt(1, 15);
    take(new Fact.Excused(PRACTICAL, "Injured hand"));
    assertThat(bead(PRACTICAL).state()).isEqualTo(StepState.EXCUSED);
    assertThat(bead(JOB_CARD).state()).isEqualTo(StepState.OPEN);
    assertThat(progress.share()).isEqualTo(1 / 3.0);
  }

  @Test
  void a_step_for_a_group_does_not_exist_for_the_others() {
    progress = begin(design(replace(Workshop.onlyFor(stepOf(ANATOMY), SATURDAY))));
    assertThat(bead(ANATOMY).state()).isEqualTo(StepState.NOT_FOR_THEM);
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(bead(ANATOMY).state()).isEqualTo(StepState.OPEN);
  }

  @Test
  void an_exception_opens_what_the_rules_keep_shut() {
    take(new Fact.Opened(PRACTICAL));
    assertThat(bead(PRACTICAL).state()).isEqualTo(StepState.OPEN);
  }

  @Test
  void a_rule_that_is_waived_altogether_opens_but_never_awards() {
    var onlyQuiz =
        new yendrik.core.course.Badge(
            BRAKE_HAND,
            "B",
            "",
            Optional.empty(),
            Optional.of(ask(new MarkLeaf.Passed(PADS))),
            false);
    progress = begin(design(design().modules(), List.of(onlyQuiz)));
    assertThat(take(new Fact.Excused(PADS, "")))
        .noneMatch(d -> d instanceof Decision.BadgeEarned)
        .anyMatch(d -> d instanceof Decision.Opened o && o.step().equals(PRACTICAL));
  }

  @Test
  void explaining_says_how_far_and_whose_turn() {
    attempt(1, 6);
    var opens = progress.explain(new RuleAt.StepOpens(PRACTICAL)).orElseThrow();
    assertThat(opens.verdict()).isEqualTo(Verdict.NOT_YET);
    assertThat(opens.fraction()).isCloseTo(0.4 / 0.6, org.assertj.core.data.Offset.offset(1e-9));
    assertThat(opens.turn()).isEqualTo(Turn.LEARNER);
    take(new WorkFact.HandedIn(JOB_CARD, 1));
    assertThat(progress.explain(new RuleAt.StepDone(JOB_CARD)).orElseThrow().turn())
        .isEqualTo(Turn.STAFF);
  }

  @Test
  void a_learner_who_never_came_is_flagged_at_the_exact_moment() {
    progress.advance(START.plus(Duration.ofDays(10)));
    assertThat(progress.flaggedAt(0)).contains(START.plusSeconds(60).plus(Duration.ofDays(3)));
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.flaggedAt(0)).isEmpty();
  }

  @Test
  void work_that_waits_for_staff_does_not_make_its_learner_late() {
    var due = START.plus(Duration.ofDays(2));
    progress = begin(design(replace(Workshop.window(stepOf(JOB_CARD), null, due, null))));
    take(new Fact.Opened(JOB_CARD));
    take(new WorkFact.HandedIn(JOB_CARD, 1));
    progress.advance(due.plus(Duration.ofDays(9)));
    assertThat(progress.flaggedAt(2)).isEmpty();
    take(new WorkFact.Marked(JOB_CARD, 1, 2, 20, Judgement.AGAIN, ""));
    assertThat(progress.flaggedAt(2)).isPresent();
    assertThat(new Reasons(progress, ENGLISH).of(2).stream().map(Reason::says))
        .containsExactly("“Brake job card” was due 9 days ago.");
  }

  @Test
  void a_badge_revoked_by_staff_is_not_earned_again() {
    take(new Fact.BadgeIssued(BRAKE_HAND, "seen in class"));
    assertThat(progress.sight().holds(0)).isTrue();
    take(new Fact.BadgeRevoked(BRAKE_HAND, "wrong person"));
    take(new SeenFact.Saw(ANATOMY));
    attempt(1, 15);
    take(new SignOffFact.SignedOff(PRACTICAL, ""));
    take(new WorkFact.HandedIn(JOB_CARD, 1));
    take(new WorkFact.Marked(JOB_CARD, 1, 20, 20, Judgement.PASSED, ""));
    assertThat(progress.sight().holds(0)).isFalse();
  }

  @Test
  void a_bead_survives_being_written_as_one_letter() {
    for (StepState state : StepState.values())
      for (boolean overdue : new boolean[] {false, true})
        for (boolean lost : new boolean[] {false, true}) {
          Bead bead = new Bead(state, overdue, lost);
          assertThat(Bead.of(bead.letter())).isEqualTo(bead);
        }
  }
}
