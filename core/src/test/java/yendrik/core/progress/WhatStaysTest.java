package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import yendrik.core.CourseModuleBuilder;
import yendrik.core.Workshop;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Levels;
import yendrik.core.outcome.Scale;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkStrand;

/** What is kept and what is not: waived, excused, corrected, published anew, left. */
class WhatStaysTest {
  private static final ModuleId SECOND = new ModuleId(2);
  private static final StepId NEXT = new StepId(20);
  private final Workshop learner = new Workshop();
  private Progress progress;

  private void begin(CourseDesign design) {
    progress = Progress.begin(CompiledCourse.of(design), JUNO, START);
    take(new Fact.Enrolled());
  }

  private void take(Fact.What what) {
    progress.take(learner.fact(what));
  }

  private void publish(CourseDesign design) {
    Instant at = learner.later(Duration.ofMinutes(1)).now();
    progress = progress.under(CompiledCourse.of(design), learner.all, at);
  }

  @Test
  void under_other_rules_alone_one_goes_on_without_the_facts() {
    begin(design());
    CompiledCourse otherRules =
        CompiledCourse.of(
            design(
                steps().stream()
                    .map(s ->
                        s.id().equals(JOB_CARD) ? opens(s, ask(new SeenLeaf.Seen(ANATOMY))) : s)
                    .toList()));
    CompiledCourse otherPoints =
        CompiledCourse.of(
            design(
                steps().stream()
                    .map(s -> s.id().equals(PADS) ? scored(s, 30, 0.6, 3, BRAKE) : s)
                    .toList()));
    var asked = new AtomicInteger();
    Supplier<List<Fact>> facts =
        () -> {
          asked.incrementAndGet();
          return learner.all;
        };
    progress = progress.under(otherRules, facts, learner.now());
    assertThat(asked).hasValue(0);
    progress = progress.under(otherPoints, facts, learner.now());
    assertThat(asked).hasValue(1);
  }

  private int number(StepId step) {
    return progress.course().index().number(step);
  }

  private StepState state(StepId step) {
    return progress.bead(number(step)).state();
  }

  private static CourseModule module(ModuleId id, Optional<Condition> opens, Step... steps) {
    return module(id, opens, Step.Gate.USUAL, steps);
  }

  private static CourseModule module(
      ModuleId id, Optional<Condition> opens, Step.Gate gate, Step... steps) {
    return new CourseModule(
        id, "Module " + id, true, false, opens, Optional.empty(), gate, List.of(steps));
  }

  private static Step page(StepId id) {
    return step(id, "Page " + id, StepKind.PAGE, ask(new SeenLeaf.Seen(id)));
  }

  /** A module, and a second one that opens when the first is done; a badge for the first. */
  private static CourseDesign inARow(Step... first) {
    return design(
        List.of(
            module(BRAKES, Optional.empty(), first),
            module(SECOND, Optional.of(ask(new Leaf.ModuleDone(BRAKES))), page(NEXT))),
        List.of(badge(ask(new Leaf.ModuleDone(BRAKES)))));
  }

  private static Badge badge(Condition earned) {
    return new Badge(BRAKE_HAND, "B", "", Optional.empty(), Optional.of(earned), false);
  }

  @Test
  void a_module_of_another_group_is_nothing_to_do_here_until_the_learner_joins_it() {
    begin(inARow(onlyFor(page(ANATOMY), SATURDAY)));
    assertThat(progress.sight().nothingToDo(0)).isTrue();
    assertThat(progress.latches().moduleDone()).isEmpty();
    assertThat(state(NEXT)).as("not in the way").isEqualTo(StepState.OPEN);
    assertThat(progress.sight().holds(0)).as("never earned by a waiver").isFalse();
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(progress.sight().nothingToDo(0)).isFalse();
    assertThat(state(NEXT)).as("what was open by waiver is not kept").isEqualTo(StepState.CLOSED);
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.sight().holds(0)).isTrue();
    assertThat(state(NEXT)).isEqualTo(StepState.OPEN);
  }

  @Test
  void what_is_only_supposed_happens_nowhere_else() {
    begin(inARow(page(ANATOMY)));
    Progress then = progress.supposing(new SeenFact.Saw(ANATOMY));
    assertThat(then.bead(number(NEXT)).state()).isEqualTo(StepState.OPEN);
    assertThat(then.earnedAt(0)).isPresent();
    assertThat(state(NEXT)).isEqualTo(StepState.CLOSED);
    assertThat(progress.earnedAt(0)).isEmpty();
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.latches().stepOpened().keySet())
        .isEqualTo(then.latches().stepOpened().keySet());
  }

  @Test
  void what_stood_open_by_an_excuse_is_kept_from_the_moment_at_which_its_rule_is_met() {
    var read = Optional.of(ask(new SeenLeaf.Seen(ANATOMY)));
    begin(
        design(
            List.of(
                module(BRAKES, Optional.empty(), page(ANATOMY)), module(SECOND, read, page(NEXT))),
            List.of()));
    take(new Fact.Excused(ANATOMY, ""));
    assertThat(state(NEXT)).isEqualTo(StepState.OPEN);
    assertThat(progress.latches().stepGranted()).doesNotContainKey(NEXT);
    take(new SeenFact.Saw(ANATOMY));
    long now = learner.now().toEpochMilli();
    assertThat(progress.latches().moduleGranted()).containsEntry(SECOND, now);
    assertThat(progress.latches().stepGranted()).containsEntry(NEXT, now);
  }

  @Test
  void joining_a_group_is_noticed_by_its_steps_and_by_whoever_asks_about_them() {
    var seen = ask(new SeenLeaf.Seen(ANATOMY));
    Step own = onlyFor(step(NEXT, "Own", StepKind.PAGE, seen), SATURDAY);
    StepId asking = new StepId(21);
    begin(
        design(
            List.of(
                module(
                    BRAKES,
                    Optional.empty(),
                    page(ANATOMY),
                    own,
                    opens(page(asking), ask(new SeenLeaf.Seen(NEXT))))),
            List.of()));
    assertThat(state(NEXT)).isEqualTo(StepState.NOT_FOR_THEM);
    assertThat(state(asking)).as("nobody waits for what is for others").isEqualTo(StepState.OPEN);
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(state(NEXT)).isEqualTo(StepState.OPEN);
    assertThat(state(asking)).isEqualTo(StepState.CLOSED);
  }

  @Test
  void a_module_with_a_rule_of_its_own_is_done_once_something_in_it_is_for_the_learner() {
    var second =
        new CourseModule(
            SECOND,
            "Module 2",
            true,
            false,
            Optional.empty(),
            Optional.of(ask(new SeenLeaf.Seen(ANATOMY))),
            Step.Gate.USUAL,
            List.of(onlyFor(page(NEXT), SATURDAY)));
    begin(design(List.of(module(BRAKES, Optional.empty(), page(ANATOMY)), second), List.of()));
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.sight().nothingToDo(1)).isTrue();
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(progress.latches().moduleDone()).containsEntry(SECOND, learner.now().toEpochMilli());
  }

  @Test
  void an_empty_module_and_a_course_in_which_nothing_counts_are_not_complete() {
    begin(design(List.of(module(BRAKES, Optional.empty(), extra(page(ANATOMY)))), List.of()));
    assertThat(progress.sight().nothingToDo(0)).isTrue();
    assertThat(progress.completedAt()).isEmpty();
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.completedAt()).as("an extra step counts for nothing").isEmpty();
  }

  @Test
  void a_circle_holds_nothing_up_neither_met_nor_still_possible() {
    Step first = opens(page(ANATOMY), ask(new Leaf.StepDone(PADS)));
    Step second = opens(page(PADS), ask(new Leaf.StepDone(ANATOMY)));
    begin(design(List.of(first, second)));
    assertThat(progress.bead(0)).isEqualTo(new Bead(StepState.CLOSED, false, true));
    assertThat(progress.bead(1)).isEqualTo(new Bead(StepState.CLOSED, false, true));
    var again = Progress.resume(progress.course(), JUNO, learner.all, progress.latches());
    assertThat(again.thread()).isEqualTo(progress.thread());
    take(new Fact.Opened(PADS));
    assertThat(progress.bead(0).outOfReach()).as("one way in opens the circle").isFalse();
    take(new SeenFact.Saw(PADS));
    assertThat(state(ANATOMY)).isEqualTo(StepState.OPEN);
  }

  @Test
  void a_step_that_waits_for_itself_is_out_of_reach() {
    begin(design(List.of(opens(page(ANATOMY), ask(new Leaf.StepDone(ANATOMY))))));
    assertThat(progress.bead(0)).isEqualTo(new Bead(StepState.CLOSED, false, true));
  }

  @Test
  void done_needs_open_and_earlier_facts_count_from_the_moment_it_opens() {
    Step other =
        opens(
            step(PADS, "Other", StepKind.PAGE, ask(new SeenLeaf.Seen(ANATOMY))),
            ask(new Leaf.InGroup(SATURDAY)));
    begin(design(List.of(page(ANATOMY), other)));
    take(new SeenFact.Saw(ANATOMY));
    assertThat(state(PADS)).isEqualTo(StepState.CLOSED);
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(progress.doneAt(1)).contains(learner.now());
  }

  @Test
  void an_excuse_adds_and_takes_nothing_away() {
    begin(inARow(page(ANATOMY), page(PADS)));
    take(new SeenFact.Saw(ANATOMY));
    take(new Fact.Excused(ANATOMY, "moved house"));
    assertThat(state(ANATOMY)).as("it was done").isEqualTo(StepState.DONE);
    take(new Fact.Excused(PADS, "moved house"));
    assertThat(state(PADS)).isEqualTo(StepState.EXCUSED);
    assertThat(progress.doneAt(0)).isPresent();
    assertThat(progress.sight().holds(0)).as("one step done, the other excused").isTrue();
    assertThat(progress.share()).isEqualTo(0.5);
    take(new SeenFact.Saw(PADS));
    assertThat(state(PADS)).as("doing it all the same counts").isEqualTo(StepState.DONE);
  }

  @Test
  void an_excuse_that_ends_asks_again_and_what_followed_from_it_by_waiver_goes() {
    begin(inARow(page(ANATOMY)));
    take(new Fact.Excused(ANATOMY, ""));
    assertThat(state(NEXT)).isEqualTo(StepState.OPEN);
    take(new Fact.ExceptionEnded(ANATOMY, Fact.Grant.EXCUSED, "well again"));
    assertThat(state(ANATOMY)).isEqualTo(StepState.OPEN);
    assertThat(state(NEXT)).isEqualTo(StepState.CLOSED);
  }

  @Test
  void every_kind_of_exception_ends() {
    Instant until = START.plus(Duration.ofDays(2));
    Step late = window(page(ANATOMY), null, until, until);
    begin(design(List.of(late, opens(page(PADS), ask(new SeenLeaf.Seen(ANATOMY))))));
    take(new Fact.Opened(PADS));
    assertThat(state(PADS)).isEqualTo(StepState.OPEN);
    take(new Fact.ExceptionEnded(PADS, Fact.Grant.OPENED, ""));
    assertThat(state(PADS)).isEqualTo(StepState.CLOSED);
    Instant later = until.plus(Duration.ofDays(3));
    take(new Fact.DueMoved(ANATOMY, later));
    progress.advance(until.plus(Duration.ofDays(1)));
    learner.later(Duration.ofDays(3));
    assertThat(state(ANATOMY)).as("the window waits for the moved date").isEqualTo(StepState.OPEN);
    assertThat(progress.bead(0).overdue()).isFalse();
    take(new Fact.ExceptionEnded(ANATOMY, Fact.Grant.DUE_MOVED, ""));
    assertThat(state(ANATOMY)).isEqualTo(StepState.MISSED);
    take(new Fact.AttemptsAdded(PADS, 2));
    assertThat(progress.record().extraAttempts(1)).isEqualTo(2);
    take(new Fact.ExceptionEnded(PADS, Fact.Grant.ATTEMPTS, ""));
    assertThat(progress.record().extraAttempts(1)).isZero();
  }

  @Test
  void who_has_left_gets_nothing_more_until_they_come_back() {
    Instant soon = START.plus(Duration.ofDays(2));
    Condition later = ask(new Leaf.InTime(Optional.of(soon), Optional.empty()));
    begin(
        design(
            List.of(module(BRAKES, Optional.empty(), opens(page(ANATOMY), later), page(PADS))),
            List.of(badge(later))));
    assertThat(state(PADS)).isEqualTo(StepState.OPEN);
    take(new Fact.LeftCourse());
    assertThat(progress.sight().open(1)).isFalse();
    assertThat(progress.nextMoment()).isEqualTo(Long.MAX_VALUE);
    progress.advance(soon.plus(Duration.ofDays(30)));
    assertThat(progress.sight().holds(0)).isFalse();
    assertThat(progress.flaggedAt(0)).as("nobody is flagged who has left").isEmpty();
    learner.later(Duration.ofDays(40));
    take(new Fact.Enrolled());
    assertThat(progress.earnedAt(0)).contains(learner.now());
    assertThat(state(ANATOMY)).isEqualTo(StepState.OPEN);
  }

  @Test
  void what_is_deleted_and_comes_back_keeps_its_first_dates() {
    begin(design(List.of(page(ANATOMY), page(PADS))));
    take(new SeenFact.Saw(ANATOMY));
    Instant done = progress.doneAt(0).orElseThrow();
    publish(design(List.of(page(PADS))));
    learner.later(Duration.ofDays(3));
    publish(design(List.of(page(ANATOMY), page(PADS))));
    assertThat(progress.doneAt(number(ANATOMY))).contains(done);
    assertThat(progress.openedAt(number(ANATOMY))).contains(START);
  }

  @Test
  void what_follows_its_rule_for_a_while_is_not_given_back_by_staying_open_again() {
    Step help = opens(page(ANATOMY), ask(new Leaf.InGroup(SATURDAY)));
    begin(design(List.of(help)));
    take(new Fact.JoinedGroup(SATURDAY));
    take(new Fact.LeftGroup(SATURDAY));
    assertThat(state(ANATOMY)).as("it stays open").isEqualTo(StepState.OPEN);
    publish(design(List.of(followsItsRule(help))));
    assertThat(state(ANATOMY)).isEqualTo(StepState.CLOSED);
    publish(design(List.of(help)));
    assertThat(state(ANATOMY)).as("the rule does not grant it").isEqualTo(StepState.CLOSED);
  }

  @Test
  void a_module_that_follows_its_rule_closes_the_steps_in_it() {
    begin(
        design(
            List.of(
                module(
                    BRAKES,
                    Optional.of(ask(new Leaf.InGroup(SATURDAY))),
                    new Step.Gate(true, false),
                    page(ANATOMY))),
            List.of()));
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(state(ANATOMY)).isEqualTo(StepState.OPEN);
    take(new Fact.LeftGroup(SATURDAY));
    assertThat(state(ANATOMY)).isEqualTo(StepState.CLOSED);
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(state(ANATOMY)).isEqualTo(StepState.OPEN);
  }

  @Test
  void a_strict_order_waits_for_each_required_step_that_concerns_the_learner() {
    var strict =
        inStrictOrder(
            onlyFor(page(ANATOMY), SATURDAY), extra(page(FILM)), page(PADS), page(JOB_CARD));
    begin(design(List.of(strict), List.of()));
    assertThat(state(PADS)).as("the first is for others").isEqualTo(StepState.OPEN);
    assertThat(state(JOB_CARD)).isEqualTo(StepState.CLOSED);
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(state(PADS)).as("now there is one before it").isEqualTo(StepState.CLOSED);
    take(new SeenFact.Saw(ANATOMY));
    assertThat(state(PADS)).isEqualTo(StepState.OPEN);
    take(new SeenFact.Saw(PADS));
    assertThat(state(JOB_CARD)).isEqualTo(StepState.OPEN);
  }

  @Test
  void a_strict_order_of_the_course_waits_for_earlier_modules_too() {
    var hidden =
        CourseModuleBuilder.builder(module(SECOND, Optional.empty(), page(FILM)))
            .published(false)
            .build();
    var last = new ModuleId(3);
    begin(
        inStrictOrder(
            design(
                List.of(
                    module(BRAKES, Optional.empty(), page(ANATOMY), extra(page(PADS))),
                    hidden,
                    module(last, Optional.empty(), page(JOB_CARD), page(NEXT))),
                List.of())));
    assertThat(state(PADS)).as("the first before it is not done").isEqualTo(StepState.CLOSED);
    assertThat(state(JOB_CARD)).isEqualTo(StepState.CLOSED);
    take(new SeenFact.Saw(ANATOMY));
    assertThat(state(JOB_CARD))
        .as("extras and hidden modules do not count")
        .isEqualTo(StepState.OPEN);
    assertThat(state(NEXT)).isEqualTo(StepState.CLOSED);
    take(new Fact.Excused(JOB_CARD, "done elsewhere"));
    assertThat(state(NEXT)).isEqualTo(StepState.OPEN);
  }

  @Test
  void a_strict_order_is_past_hope_with_any_step_before_whatever_is_opened_between() {
    Step over = window(page(ANATOMY), START, START, START.plus(Duration.ofDays(1)));
    begin(inStrictOrder(withoutFlags(over, page(FILM), page(JOB_CARD))));
    take(new Fact.LeftCourse());
    take(new Fact.Opened(FILM));
    progress.advance(START.plus(Duration.ofDays(2)));
    assertThat(progress.sight().outOfReach(0)).isTrue();
    assertThat(progress.sight().outOfReach(2)).as("it waits for the first too").isTrue();
  }

  @Test
  void a_step_started_anew_is_as_at_first_and_what_followed_from_it_stays() {
    begin(design());
    take(new AttemptFact.StartedAttempt(PADS, 1));
    take(new AttemptFact.FinishedAttempt(PADS, 1, 15, 15));
    assertThat(state(PADS)).isEqualTo(StepState.DONE);
    assertThat(progress.record().level(0)).isPresent();
    Fact anew = learner.fact(new Fact.StartedAnew(PADS, Optional.of("somebody else sat there")));
    progress.take(anew);
    assertThat(state(PADS)).isEqualTo(StepState.OPEN);
    assertThat(progress.record().level(0)).as("no evidence is left").isEmpty();
    assertThat(AttemptsStrand.of(progress.record()).left(1)).isEqualTo(3);
    assertThat(state(PRACTICAL)).as("it had been opened by it").isEqualTo(StepState.OPEN);
    take(new AttemptFact.StartedAttempt(PADS, 2));
    take(new AttemptFact.FinishedAttempt(PADS, 2, 5, 15));
    assertThat(state(PADS)).isEqualTo(StepState.AGAIN);
    learner.correcting(anew, new Fact.TakenBack("it was them after all"));
    progress = Replay.run(CompiledCourse.of(design()), JUNO, learner.all, learner.now());
    assertThat(state(PADS)).isEqualTo(StepState.DONE);
    assertThat(AttemptsStrand.of(progress.record()).made(1)).isEqualTo(2);
  }

  @Test
  void work_handed_in_after_a_new_start_has_a_number_of_its_own() {
    begin(
        withoutFlags(
            step(JOB_CARD, "Job card", StepKind.ASSIGNMENT, ask(new MarkLeaf.Passed(JOB_CARD)))));
    take(new WorkFact.HandedIn(JOB_CARD, 1));
    take(new WorkFact.Marked(JOB_CARD, 1, 20, 20, Judgement.PASSED, ""));
    take(new Fact.StartedAnew(JOB_CARD, Optional.empty()));
    WorkStrand work = WorkStrand.of(progress.record());
    assertThat(state(JOB_CARD)).isEqualTo(StepState.OPEN);
    assertThat(work.version(0)).isZero();
    assertThat(work.nextVersion(0)).isEqualTo(2);
    take(new WorkFact.HandedIn(JOB_CARD, 2));
    assertThat(state(JOB_CARD)).isEqualTo(StepState.WAITING);
  }

  @Test
  void a_correction_that_takes_the_ground_away_leaves_the_badge_in_doubt() {
    CourseDesign design = inARow(page(ANATOMY));
    begin(design);
    Fact saw = learner.fact(new SeenFact.Saw(ANATOMY));
    progress.take(saw);
    var issued =
        new Fact(
            new yendrik.core.id.FactId(900),
            progress.earnedAt(0).orElseThrow(),
            Optional.empty(),
            new Fact.BadgeIssued(BRAKE_HAND, ""),
            Optional.empty());
    learner.all.add(issued);
    learner.correcting(saw, new Fact.TakenBack("wrong learner"));
    progress = Replay.run(CompiledCourse.of(design), JUNO, learner.all, learner.now());
    assertThat(progress.sight().holds(0)).as("it never falls by itself").isTrue();
    assertThat(progress.inDoubt()).containsExactly(0);
    take(new Fact.BadgeKept(BRAKE_HAND, "seen on Saturday"));
    assertThat(progress.inDoubt()).isEmpty();
    assertThat(progress.sight().holds(0)).isTrue();
    take(new Fact.BadgeRevoked(BRAKE_HAND, "an error"));
    assertThat(progress.sight().holds(0)).isFalse();
  }

  @Test
  void a_badge_that_only_staff_give_is_their_turn() {
    Badge byHand = new Badge(BRAKE_HAND, "B", "", Optional.empty(), Optional.empty(), false);
    Step waits = opens(page(ANATOMY), ask(new Leaf.HoldsBadge(BRAKE_HAND)));
    begin(design(List.of(module(BRAKES, Optional.empty(), waits)), List.of(byHand)));
    var opens = progress.explain(new RuleAt.StepOpens(ANATOMY)).orElseThrow();
    assertThat(opens.verdict()).isEqualTo(Verdict.NOT_YET);
    assertThat(opens.turn()).isEqualTo(Turn.STAFF);
  }

  @Test
  void a_step_that_follows_a_badge_given_by_hand_opens_and_closes_with_it() {
    Badge byHand = new Badge(BRAKE_HAND, "B", "", Optional.empty(), Optional.empty(), false);
    Step follows = followsItsRule(opens(page(NEXT), ask(new Leaf.HoldsBadge(BRAKE_HAND))));
    begin(design(List.of(module(BRAKES, Optional.empty(), follows)), List.of(byHand)));
    assertThat(state(NEXT)).isEqualTo(StepState.CLOSED);
    take(new Fact.BadgeIssued(BRAKE_HAND, "seen on Saturday"));
    assertThat(state(NEXT)).isEqualTo(StepState.OPEN);
    take(new Fact.BadgeRevoked(BRAKE_HAND, "an error"));
    assertThat(state(NEXT)).isEqualTo(StepState.CLOSED);
  }

  @Test
  void a_step_that_asks_for_a_level_opens_with_the_attempt_or_the_rating_that_gives_it() {
    Step quiz = scored(page(PADS), 10, 0.5, 0, BRAKE);
    Step atMastery = opens(page(NEXT), ask(new Leaf.AtMastery(BRAKE)));
    begin(design(List.of(module(BRAKES, Optional.empty(), quiz, atMastery)), List.of()));
    take(new AttemptFact.FinishedAttempt(PADS, 1, 3, 10));
    assertThat(state(NEXT)).isEqualTo(StepState.CLOSED);
    take(new AttemptFact.FinishedAttempt(PADS, 2, 10, 10));
    assertThat(state(NEXT)).isEqualTo(StepState.OPEN);
    begin(design(List.of(module(BRAKES, Optional.empty(), quiz, atMastery)), List.of()));
    take(new Fact.Rated(BRAKE, 2, Optional.empty(), 1));
    assertThat(state(NEXT)).isEqualTo(StepState.OPEN);
  }

  @Test
  void where_the_lowest_level_is_mastery_every_score_gives_it() {
    var scale = new Scale(SCALE.id(), "pass", SCALE.levels(), 0);
    assertThat(Levels.ofScore(scale, 0, 0.5)).isZero();
    assertThat(Levels.ofScore(scale, 0.7, 0.5)).isZero();
  }

  @Test
  void coming_under_a_version_is_a_fact_that_replay_follows() {
    var first = CompiledCourse.of(design(List.of(page(ANATOMY), page(PADS))));
    Step stricter = opens(page(PADS), ask(new SeenLeaf.Seen(ANATOMY)));
    var second = CompiledCourse.of(design(List.of(page(ANATOMY), stricter)));
    learner.fact(new Fact.Enrolled());
    learner.fact(new Fact.CameUnder(1));
    learner.fact(new SeenFact.Saw(PADS));
    learner.fact(new Fact.CameUnder(2));
    List<CompiledCourse> designs = new ArrayList<>(List.of(first, second));
    Progress lived = Replay.run(v -> designs.get(v - 1), JUNO, learner.all, learner.now());
    assertThat(lived.course()).isSameAs(second);
    assertThat(lived.bead(1).state()).isEqualTo(StepState.DONE);
  }
}
