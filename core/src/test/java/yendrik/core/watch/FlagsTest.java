package yendrik.core.watch;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.Workshop;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.FlagId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;

/** When a learner is flagged, why, and when no longer. */
class FlagsTest {
  private static final int NOT_STARTED = 0;
  private static final int QUIET = 1;
  private static final int BEHIND = 2;
  private static final int STUCK = 3;
  private static final int ABSENT = 4;
  private static final Instant DUE = START.plus(Duration.ofDays(3));
  private final Workshop learner = new Workshop();
  private final Progress progress;

  FlagsTest() {
    List<Step> steps = new ArrayList<>(steps());
    steps.set(0, window(steps.get(0), null, DUE, null));
    steps.set(1, window(steps.get(1), null, DUE.plus(Duration.ofDays(1)), null));
    progress = Progress.begin(CompiledCourse.of(design(steps)), JUNO, START);
    progress.take(learner.fact(new Fact.Enrolled()));
  }

  private void take(Fact.What what) {
    progress.take(learner.fact(what));
  }

  private List<String> reasons(int flag) {
    return new Reasons(progress, ENGLISH).of(flag).stream().map(Reason::says).toList();
  }

  @Test
  void nobody_is_flagged_on_the_first_day() {
    for (int flag = 0; flag <= ABSENT; flag++) assertThat(progress.flaggedAt(flag)).isEmpty();
  }

  @Test
  void quiet_counts_from_the_last_time_there_and_says_how_long() {
    take(new SeenFact.Saw(ANATOMY));
    Instant last = learner.now();
    progress.advance(last.plus(Duration.ofDays(7)).minusMillis(1));
    assertThat(progress.flaggedAt(QUIET)).isEmpty();
    progress.advance(last.plus(Duration.ofDays(9)));
    assertThat(progress.flaggedAt(QUIET)).contains(last.plus(Duration.ofDays(7)));
    assertThat(reasons(QUIET)).singleElement().asString().contains("9 days");
    learner.later(Duration.ofDays(10));
    take(new Fact.WasHere());
    assertThat(progress.flaggedAt(QUIET)).isEmpty();
  }

  @Test
  void behind_comes_with_two_overdue_steps_and_goes_when_one_is_done() {
    progress.advance(DUE.plus(Duration.ofHours(1)));
    assertThat(progress.flaggedAt(BEHIND)).as("one step overdue").isEmpty();
    progress.advance(DUE.plus(Duration.ofDays(1)));
    assertThat(progress.flaggedAt(BEHIND)).contains(DUE.plus(Duration.ofDays(1)));
    assertThat(reasons(BEHIND).toString())
        .contains("Rim brake anatomy")
        .contains("Pads, cables, levers");
    learner.later(Duration.ofDays(5));
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.flaggedAt(BEHIND)).isEmpty();
  }

  @Test
  void a_moved_due_date_takes_the_flag_down() {
    progress.advance(DUE.plus(Duration.ofDays(2)));
    assertThat(progress.flaggedAt(BEHIND)).isPresent();
    learner.later(Duration.ofDays(6));
    take(new Fact.DueMoved(ANATOMY, DUE.plus(Duration.ofDays(30))));
    assertThat(progress.flaggedAt(BEHIND)).isEmpty();
  }

  @Test
  void stuck_needs_a_failed_try_and_days_at_it() {
    take(new AttemptFact.StartedAttempt(PADS, 1));
    take(new AttemptFact.FinishedAttempt(PADS, 1, 3, 15));
    Instant tried = learner.now();
    progress.advance(tried.plus(Duration.ofDays(5)));
    assertThat(progress.flaggedAt(STUCK)).isEmpty();
    progress.advance(tried.plus(Duration.ofDays(7)));
    assertThat(progress.flaggedAt(STUCK)).isPresent();
    assertThat(reasons(STUCK).toString()).contains("Pads, cables, levers");
    learner.later(Duration.ofDays(8));
    take(new AttemptFact.FinishedAttempt(PADS, 2, 15, 15));
    assertThat(progress.flaggedAt(STUCK)).isEmpty();
  }

  private List<Remedy> remedies(int flag) {
    return new Reasons(progress, ENGLISH)
        .of(flag).stream().flatMap(r -> r.remedy().stream()).toList();
  }

  @Test
  void a_reason_names_what_would_help_once_there_is_something() {
    progress.advance(DUE.plus(Duration.ofDays(2)));
    assertThat(remedies(BEHIND)).contains(new Remedy(Remedy.Way.MOVE_DUE, ANATOMY));
    assertThat(remedies(QUIET)).isEmpty();
    take(new AttemptFact.StartedAttempt(PADS, 1));
    take(new AttemptFact.FinishedAttempt(PADS, 1, 3, 15));
    progress.advance(learner.now().plus(Duration.ofDays(7)));
    assertThat(remedies(STUCK)).as("an attempt is left").isEmpty();
    for (int n = 2; n <= 3; n++) {
      take(new AttemptFact.StartedAttempt(PADS, n));
      take(new AttemptFact.FinishedAttempt(PADS, n, 3, 15));
    }
    progress.advance(learner.now().plus(Duration.ofDays(15)));
    assertThat(remedies(STUCK)).contains(new Remedy(Remedy.Way.ADD_ATTEMPTS, PADS));
  }

  @Test
  void absent_comes_under_three_quarters_and_goes_with_a_corrected_mark() {
    take(new Fact.Attendance(FIRST_SATURDAY, Workshop.PRESENT));
    take(new Fact.Attendance(SECOND_SATURDAY, Workshop.WITH_NOTICE));
    assertThat(progress.flaggedAt(ABSENT)).isEmpty();
    take(new Fact.Attendance(THIRD_SATURDAY, Workshop.ABSENT));
    assertThat(progress.flaggedAt(ABSENT)).contains(learner.now());
    assertThat(reasons(ABSENT)).containsExactly("At 1 of 2 sessions, 50 %.");
    take(new Fact.Attendance(THIRD_SATURDAY, Workshop.LATE));
    assertThat(progress.flaggedAt(ABSENT)).isEmpty();
  }

  @Test
  void being_marked_absent_is_not_being_in_the_course() {
    take(new SeenFact.Saw(ANATOMY));
    Instant last = learner.now();
    take(new Fact.Attendance(FIRST_SATURDAY, Workshop.ABSENT));
    progress.advance(last.plus(Duration.ofDays(8)));
    assertThat(progress.flaggedAt(QUIET)).contains(last.plus(Duration.ofDays(7)));
  }

  @Test
  void not_started_is_about_never_having_seen_anything() {
    progress.advance(START.plus(Duration.ofDays(4)));
    assertThat(progress.flaggedAt(NOT_STARTED)).isPresent();
    assertThat(reasons(NOT_STARTED)).isNotEmpty();
    learner.later(Duration.ofDays(5));
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.flaggedAt(NOT_STARTED)).isEmpty();
  }

  @Test
  void whoever_is_excused_from_everything_is_never_flagged_for_being_late() {
    take(new Fact.Excused(ANATOMY, "done elsewhere"));
    take(new Fact.Excused(PADS, "done elsewhere"));
    progress.advance(DUE.plus(Duration.ofDays(30)));
    assertThat(progress.flaggedAt(BEHIND)).isEmpty();
  }

  @Test
  void what_is_overdue_is_named_and_beyond_three_counted() {
    List<Step> steps = new ArrayList<>();
    for (int n = 1; n <= 4; n++) {
      StepId id = new StepId(n);
      steps.add(
          window(
              step(id, "Page " + n, StepKind.PAGE, ask(new SeenLeaf.Seen(id))),
              null,
              DUE.plus(Duration.ofDays(n)),
              null));
    }
    Progress late = Progress.begin(CompiledCourse.of(design(steps)), JUNO, START);
    late.take(learner.fact(new Fact.Enrolled()));
    late.advance(DUE.plus(Duration.ofDays(2)));
    assertThat(new Reasons(late, ENGLISH).of(BEHIND).stream().map(Reason::says))
        .contains("2 steps overdue: “Page 1”, “Page 2”.");
    late.advance(DUE.plus(Duration.ofDays(3)));
    assertThat(new Reasons(late, ENGLISH).of(BEHIND).stream().map(Reason::says))
        .contains("3 steps overdue: “Page 1”, “Page 2”, “Page 3”.");
    late.advance(DUE.plus(Duration.ofDays(4)));
    assertThat(new Reasons(late, ENGLISH).of(BEHIND).stream().map(Reason::says))
        .contains("4 steps overdue: “Page 1”, “Page 2”, “Page 3” and 1 more.");
  }

  @Test
  void an_outcome_of_which_nothing_is_known_flags_from_a_day_on_until_something_is() {
    Instant from = START.plus(Duration.ofDays(5));
    var flag =
        new Flag(new FlagId(50), "Nothing seen of brakes", ask(new Leaf.NoEvidence(BRAKE, from)));
    CourseDesign design = CourseDesignBuilder.builder(design(steps())).flags(List.of(flag)).build();
    Progress way = Progress.begin(CompiledCourse.of(design), JUNO, START);
    way.take(learner.fact(new Fact.Enrolled()));
    way.advance(from.minusMillis(1));
    assertThat(way.flaggedAt(0)).isEmpty();
    way.advance(from);
    assertThat(way.flaggedAt(0)).contains(from);
    learner.later(Duration.ofDays(6));
    way.take(learner.fact(new Fact.Rated(BRAKE, 1, Optional.empty(), 0)));
    assertThat(way.flaggedAt(0)).isEmpty();
  }
}
