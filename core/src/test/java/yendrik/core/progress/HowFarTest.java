package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.Workshop;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Turn;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.signoff.SignOffLeaf;

/** How far steps and modules are, whose turn it is, and when the clock matters next. */
class HowFarTest {
  private static final ModuleId SECOND = new ModuleId(2);
  private static final StepId NEXT = new StepId(20);
  private static final StepId LAST = new StepId(21);
  private static final Duration DAY = Duration.ofDays(1);
  private final Workshop learner = new Workshop();
  private Progress progress;

  private void begin(CourseDesign design) {
    progress = Progress.begin(CompiledCourse.of(design), JUNO, START);
    take(new Fact.Enrolled());
  }

  private void take(Fact.What what) {
    progress.take(learner.fact(what));
  }

  private int number(StepId step) {
    return progress.course().index().number(step);
  }

  private double fraction(StepId step) {
    return progress.sight().fraction(number(step));
  }

  private Turn turn(StepId step) {
    return progress.sight().turn(number(step));
  }

  private boolean open(StepId step) {
    return progress.sight().open(number(step));
  }

  private static Step page(StepId id) {
    return step(id, "Page " + id, StepKind.PAGE, ask(new SeenLeaf.Seen(id)));
  }

  private static Step page(StepId id, Condition opens) {
    return opens(page(id), opens);
  }

  private static CourseModule module(ModuleId id, Optional<Condition> opens, Step... steps) {
    return new CourseModule(
        id, "Module " + id, true, false, opens, Optional.empty(), Step.Gate.USUAL, List.of(steps));
  }

  @Test
  void a_step_is_as_far_as_its_condition_and_whole_once_it_is_done() {
    begin(design());
    assertThat(fraction(PADS)).isZero();
    take(new AttemptFact.FinishedAttempt(PADS, 1, 6, 15));
    assertThat(fraction(PADS)).isCloseTo(0.4 / 0.6, within(1e-9));
    take(new AttemptFact.FinishedAttempt(PADS, 2, 12, 15));
    assertThat(fraction(PADS)).isEqualTo(1);
  }

  @Test
  void two_of_three_are_as_far_as_the_two_that_are_furthest() {
    Condition rule =
        atLeast(
            2,
            ask(new SeenLeaf.Seen(FILM)),
            ask(new MarkLeaf.Score(PADS, 0.6, 1)),
            ask(new MarkLeaf.Score(JOB_CARD, 0.5, 1)));
    Step quiz =
        scored(step(PADS, "Quiz", StepKind.QUIZ, ask(new SeenLeaf.Seen(PADS))), 10, 0.6, 0, BRAKE);
    Step work =
        scored(
            step(JOB_CARD, "Card", StepKind.QUIZ, ask(new SeenLeaf.Seen(JOB_CARD))),
            10,
            0.5,
            0,
            BRAKE);
    begin(design(List.of(quiz, work, page(FILM), step(ANATOMY, "A", StepKind.PAGE, rule))));
    take(new AttemptFact.FinishedAttempt(PADS, 1, 3, 10));
    assertThat(fraction(ANATOMY)).as("0.3 of 0.6, and nothing").isCloseTo(0.25, within(1e-9));
    take(new AttemptFact.FinishedAttempt(JOB_CARD, 1, 4, 10));
    assertThat(fraction(ANATOMY)).as("and 0.4 of 0.5").isCloseTo((0.5 + 0.8) / 2, within(1e-9));
    take(new SeenFact.Saw(FILM));
    assertThat(fraction(ANATOMY)).as("one whole").isCloseTo((1 + 0.8) / 2, within(1e-9));
  }

  @Test
  void the_turn_is_that_of_what_is_waited_for_and_nobodys_once_it_is_done() {
    begin(
        design(
            List.of(
                module(
                    BRAKES,
                    Optional.empty(),
                    step(PADS, "Quiz", StepKind.PRACTICAL, ask(new SignOffLeaf.SignedOff(PADS))),
                    page(ANATOMY),
                    page(PRACTICAL, ask(new SignOffLeaf.SignedOff(PADS))),
                    window(page(FILM), START.plus(DAY), null, null)),
                module(
                    SECOND,
                    Optional.of(ask(new SignOffLeaf.SignedOff(PADS))),
                    page(NEXT, ask(new SeenLeaf.Seen(ANATOMY))))),
            List.of()));
    assertThat(turn(PADS)).as("open, for staff to sign off").isEqualTo(Turn.STAFF);
    assertThat(turn(ANATOMY)).as("open, to be read").isEqualTo(Turn.LEARNER);
    assertThat(turn(PRACTICAL)).as("closed by what staff sign off").isEqualTo(Turn.STAFF);
    assertThat(turn(FILM)).as("closed by its date alone").isEqualTo(Turn.CLOCK);
    assertThat(turn(NEXT)).as("the door of its module comes first").isEqualTo(Turn.STAFF);
    take(new SignOffFact.SignedOff(PADS, ""));
    assertThat(turn(PADS)).isEqualTo(Turn.NOBODY);
    assertThat(turn(PRACTICAL)).as("open now, to be read").isEqualTo(Turn.LEARNER);
    assertThat(turn(NEXT)).as("its own rule").isEqualTo(Turn.LEARNER);
    take(new SeenFact.Saw(ANATOMY));
    assertThat(turn(ANATOMY)).isEqualTo(Turn.NOBODY);
  }

  @Test
  void in_a_strict_order_the_turn_is_that_of_the_steps_before() {
    var strict =
        inStrictOrder(
            step(PADS, "Practical", StepKind.PRACTICAL, ask(new SignOffLeaf.SignedOff(PADS))),
            page(ANATOMY),
            page(FILM));
    begin(design(List.of(strict), List.of()));
    assertThat(turn(ANATOMY)).isEqualTo(Turn.STAFF);
    assertThat(turn(FILM)).isEqualTo(Turn.STAFF);
    take(new SignOffFact.SignedOff(PADS, ""));
    assertThat(turn(FILM)).isEqualTo(Turn.LEARNER);
    assertThat(progress.sight().outOfReach(number(FILM))).isFalse();
  }

  @Test
  void the_clock_matters_next_at_the_first_of_opening_due_date_and_closing() {
    Instant opens = START.plus(DAY);
    Instant due = opens.plus(DAY);
    Instant closes = due.plus(DAY);
    begin(withoutFlags(window(page(ANATOMY), opens, due, closes)));
    assertThat(progress.nextMoment()).isEqualTo(opens.toEpochMilli());
    progress.advance(opens);
    assertThat(open(ANATOMY)).isTrue();
    assertThat(progress.nextMoment()).isEqualTo(due.toEpochMilli());
    progress.advance(due);
    assertThat(progress.bead(0).overdue()).isTrue();
    assertThat(progress.nextMoment()).isEqualTo(closes.toEpochMilli());
    progress.advance(closes);
    assertThat(open(ANATOMY)).isFalse();
    assertThat(progress.nextMoment()).isEqualTo(Long.MAX_VALUE);
  }

  @Test
  void what_is_done_waits_for_no_due_date() {
    Instant due = START.plus(DAY);
    begin(withoutFlags(window(page(ANATOMY), null, due, null)));
    assertThat(progress.nextMoment()).isEqualTo(due.toEpochMilli());
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.nextMoment()).isEqualTo(Long.MAX_VALUE);
  }

  @Test
  void a_circle_with_a_way_in_is_walked_round_and_what_waits_behind_it_follows() {
    begin(
        design(
            List.of(
                page(ANATOMY),
                page(PADS, any(ask(new SeenLeaf.Seen(ANATOMY)), ask(new Leaf.StepDone(FILM)))),
                page(JOB_CARD, ask(new Leaf.StepDone(PADS))),
                page(FILM, ask(new Leaf.StepDone(JOB_CARD))),
                page(LAST, all(ask(new Leaf.StepDone(FILM)), ask(new Leaf.StepDone(PADS)))),
                page(NEXT, ask(new Leaf.StepDone(LAST))))));
    assertThat(open(PADS)).isFalse();
    assertThat(turn(FILM)).isEqualTo(Turn.LEARNER);
    for (StepId step : List.of(ANATOMY, PADS, JOB_CARD, FILM, LAST)) {
      take(new SeenFact.Saw(step));
      assertThat(fraction(step)).as(step + " is done").isEqualTo(1);
      assertThat(turn(step)).isEqualTo(Turn.NOBODY);
      var resumed = Progress.resume(progress.course(), JUNO, learner.all, progress.latches());
      resumed.evaluateAll();
      assertThat(resumed.thread()).isEqualTo(progress.thread());
    }
    assertThat(open(NEXT)).isTrue();
  }

  @Test
  void a_circle_that_lost_its_only_way_in_takes_what_waits_behind_it_along() {
    Step quiz =
        scored(
            step(PADS, "Quiz", StepKind.QUIZ, ask(new MarkLeaf.Passed(PADS))), 10, 0.6, 1, BRAKE);
    begin(
        design(
            List.of(
                quiz,
                page(JOB_CARD, any(ask(new MarkLeaf.Passed(PADS)), ask(new Leaf.StepDone(FILM)))),
                page(FILM, ask(new Leaf.StepDone(JOB_CARD))),
                page(LAST, ask(new Leaf.StepDone(FILM))))));
    assertThat(progress.sight().outOfReach(number(LAST))).isFalse();
    take(new AttemptFact.FinishedAttempt(PADS, 1, 2, 10));
    for (StepId step : List.of(PADS, JOB_CARD, FILM, LAST))
      assertThat(progress.sight().outOfReach(number(step))).as("" + step).isTrue();
    take(new Fact.AttemptsAdded(PADS, 1));
    for (StepId step : List.of(PADS, JOB_CARD, FILM, LAST))
      assertThat(progress.sight().outOfReach(number(step))).as("" + step).isFalse();
    take(new AttemptFact.FinishedAttempt(PADS, 2, 9, 10));
    assertThat(open(JOB_CARD)).isTrue();
    assertThat(open(FILM)).isFalse();
  }

  @Test
  void a_module_is_as_far_as_its_steps_and_out_of_reach_when_too_few_are_left() {
    Step quiz =
        scored(
            step(PADS, "Quiz", StepKind.QUIZ, ask(new MarkLeaf.Passed(PADS))), 10, 0.6, 1, BRAKE);
    begin(
        design(
            List.of(
                module(BRAKES, Optional.empty(), page(ANATOMY), page(FILM), quiz),
                module(
                    SECOND,
                    Optional.empty(),
                    page(NEXT, ask(new Leaf.ModuleShare(BRAKES, 0.5))),
                    page(LAST, ask(new Leaf.ModuleShare(BRAKES, 1))))),
            List.of()));
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.sight().moduleFraction(0)).isCloseTo(1 / 3.0, within(1e-9));
    assertThat(open(NEXT)).as("half of three is two").isFalse();
    take(new AttemptFact.FinishedAttempt(PADS, 1, 2, 10));
    assertThat(progress.sight().outOfReach(number(LAST))).as("all of three").isTrue();
    assertThat(progress.sight().outOfReach(number(NEXT))).as("two of three").isFalse();
    take(new SeenFact.Saw(FILM));
    assertThat(open(NEXT)).isTrue();
    assertThat(open(LAST)).isFalse();
  }
}
