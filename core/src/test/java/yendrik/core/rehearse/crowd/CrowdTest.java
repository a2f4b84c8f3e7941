package yendrik.core.rehearse.crowd;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.CancellationException;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.StepBuilder;
import yendrik.core.Workshop;
import yendrik.core.check.Around;
import yendrik.core.check.Check;
import yendrik.core.check.Finding;
import yendrik.core.check.SmallDesign;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Flag;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.FactId;
import yendrik.core.id.FlagId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.people.StaffKind;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.time.TimeLeaf;

class CrowdTest {
  private static final Folk ABLE = new Folk.Around(0.85, 0.05, 7, 1.2);
  private static final Folk MIXED = new Folk.Around(0.6, 0.15, 5, 1.5);

  private static Crowd crowd(int learners, Folk folk, double stopping) {
    return new Crowd(learners, 1, 30, folk, stopping, 1, 0.9, List.of(), List.of());
  }

  private static CrowdResult walk(CourseDesign design, Crowd crowd) {
    return CrowdWalk.through(CompiledCourse.of(design), crowd, _ -> {});
  }

  private static CrowdResult.OfStep at(CrowdResult result, StepId step) {
    return result.steps().stream().filter(s -> s.step().equals(step)).findFirst().orElseThrow();
  }

  @Provide
  Arbitrary<SmallDesign> designs() {
    return SmallDesign.designs();
  }

  @Test
  void who_is_able_and_stays_finishes_and_earns_what_is_to_be_earned() {
    CrowdResult result = walk(design(), crowd(100, ABLE, 0));
    assertThat(result.finished()).isEqualTo(100);
    assertThat(result.steps()).allMatch(s -> s.stand() == 0);
    assertThat(result.badges().getFirst().earned()).isEqualTo(100);
    assertThat(result.modules().getFirst().done()).isEqualTo(100);
    assertThat(result.finishedByWeek().getLast()).isEqualTo(100);
    assertThat(result.finishedByWeek()).isSorted();
    assertThat(result.finishing()).isPresent();
  }

  @Test
  void the_same_seed_gives_the_same_whatever_threads_walk_and_another_one_does_not() {
    Crowd crowd = crowd(200, MIXED, 0.05);
    assertThat(walk(design(), crowd)).isEqualTo(walk(design(), crowd));
    var other = new Crowd(200, 2, 30, MIXED, 0.05, 1, 0.9, List.of(), List.of());
    assertThat(walk(design(), other)).isNotEqualTo(walk(design(), crowd));
  }

  @Test
  void where_nobody_gets_on_all_of_them_stand() {
    Step closed =
        opens(
            step(
                new StepId(9), "Night shift", StepKind.PAGE, ask(new SeenLeaf.Seen(new StepId(9)))),
            ask(new MarkLeaf.Score(PADS, 0, 0.2)));
    var steps = new ArrayList<>(steps());
    steps.add(closed);
    CrowdResult result = walk(design(steps), crowd(50, ABLE, 0));
    assertThat(result.finished()).isZero();
    assertThat(result.noWayOn()).isEqualTo(50);
    assertThat(at(result, new StepId(9)).stand()).isEqualTo(50);
    assertThat(at(result, new StepId(9)).noWayOn()).isEqualTo(50);
  }

  @Test
  void the_last_failed_try_leaves_the_weak_with_no_way_on() {
    Folk weak = new Folk.Around(0.3, 0, 7, 1);
    CrowdResult result = walk(design(), crowd(100, weak, 0));
    assertThat(at(result, PADS).noWayOn()).isGreaterThan(80);
    assertThat(at(result, SECOND_LOOK).done()).isGreaterThan(95);
  }

  @Test
  void under_a_stricter_rule_the_same_learners_have_the_same_luck() {
    CourseDesign loose = design();
    CourseDesign strict =
        design(
            steps().stream()
                .map(s ->
                    s.id().equals(PADS)
                        ? StepBuilder.builder(s)
                            .doneWhen(ask(new MarkLeaf.Score(PADS, 0.8, 1)))
                            .build()
                        : s)
                .toList());
    Crowd crowd = crowd(300, MIXED, 0.02);
    CrowdResult before = walk(loose, crowd);
    CrowdResult after = walk(strict, crowd);
    assertThat(at(after, PADS).opened()).isEqualTo(at(before, PADS).opened());
    assertThat(at(after, PADS).done()).isLessThan(at(before, PADS).done());
    assertThat(after.finished()).isLessThan(before.finished());
  }

  @Test
  void those_who_stop_are_about_as_many_as_said() {
    Step page = step(ANATOMY, "Late page", StepKind.PAGE, ask(new SeenLeaf.Seen(ANATOMY)));
    Step late = window(page, START.plus(Duration.ofDays(70)), null, null);
    CrowdResult result = walk(withoutFlags(late), crowd(2000, ABLE, 0.05));
    double stay = Math.pow(0.95, 10);
    assertThat(result.stopped() / 2000.0).isCloseTo(1 - stay, within(0.05));
    assertThat(result.finished() + result.stopped()).isEqualTo(2000);
  }

  @Test
  void what_waits_for_staff_takes_as_long_as_they_do() {
    Crowd quick = new Crowd(200, 1, 60, ABLE, 0, 0, 1, List.of(), List.of());
    Crowd slow = new Crowd(200, 1, 60, ABLE, 0, 20, 1, List.of(), List.of());
    double before = at(walk(design(), quick), JOB_CARD).took().orElseThrow().half();
    double after = at(walk(design(), slow), JOB_CARD).took().orElseThrow().half();
    assertThat(after - before).isBetween(5.0, 40.0);
  }

  @Test
  void own_word_approvals_sessions_and_other_courses_come() {
    Condition complete =
        all(
            ask(new Leaf.OwnWord()),
            ask(new Leaf.Approved(StaffKind.FACILITATOR)),
            ask(new Leaf.SessionAttended(FIRST_SATURDAY)),
            ask(new Leaf.CourseComplete(INDUCTION)));
    CourseDesign design =
        CourseDesignBuilder.builder(design()).completeWhen(Optional.of(complete)).build();
    var saturday =
        new Crowd.Meeting(FIRST_SATURDAY, START.plus(Duration.ofDays(10)), Optional.empty());
    var all = new Crowd(20, 1, 30, ABLE, 0, 1, 1, List.of(), List.of(saturday));
    assertThat(walk(design, all).finished()).isEqualTo(20);
    var away = new Crowd(20, 1, 30, ABLE, 0, 1, 0, List.of(), List.of(saturday));
    assertThat(walk(design, away).finished()).isZero();
  }

  @Test
  void who_has_completed_the_course_goes_on_with_what_is_open() {
    CourseDesign early =
        CourseDesignBuilder.builder(design())
            .completeWhen(Optional.of(ask(new Leaf.StepDone(ANATOMY))))
            .build();
    CrowdResult result = walk(early, crowd(60, ABLE, 0));
    assertThat(result.finished()).isEqualTo(60);
    assertThat(result.modules().getFirst().done()).isEqualTo(60);
    CourseDesign never =
        CourseDesignBuilder.builder(design())
            .completeWhen(Optional.of(ask(new Leaf.GradeAtLeast(1))))
            .build();
    assertThat(walk(never, crowd(60, MIXED, 0)).allDone()).isGreaterThan(20);
  }

  @Test
  void who_does_not_come_to_a_session_is_absent_and_not_excused() {
    CourseDesign design =
        CourseDesignBuilder.builder(design())
            .completeWhen(Optional.of(ask(new Leaf.AttendanceRate(0.75))))
            .build();
    List<Crowd.Meeting> meetings =
        List.of(FIRST_SATURDAY, SECOND_SATURDAY, THIRD_SATURDAY).stream()
            .map(s ->
                new Crowd.Meeting(s, START.plus(Duration.ofDays(7 * s.value())), Optional.empty()))
            .toList();
    var half = new Crowd(100, 1, 30, ABLE, 0, 1, 0.5, List.of(), meetings);
    assertThat(walk(design, half).finished()).isBetween(30, 75);
    assertThat(walk(design, new Crowd(50, 1, 30, ABLE, 0, 1, 0, List.of(), meetings)).finished())
        .isZero();
  }

  @Test
  void a_course_without_steps_is_walked_through_at_once() {
    CrowdResult result = walk(withoutFlags(), crowd(10, ABLE, 0.02));
    assertThat(result.finished()).isZero();
    assertThat(result.allDone()).isEqualTo(10);
  }

  @Test
  void nobody_does_what_only_a_flag_asks_and_everybody_tries_as_often_as_a_rule_asks() {
    Step after =
        opens(
            step(FILM, "After", StepKind.PAGE, ask(new SeenLeaf.Seen(FILM))),
            ask(new AttemptLeaf.Attempted(PADS, 3)));
    CourseDesign design = withoutFlags(steps().get(1), after);
    CourseDesign flagged =
        CourseDesignBuilder.builder(design)
            .flags(
                List.of(new Flag(new FlagId(1), "Tries", ask(new AttemptLeaf.Attempted(PADS, 3)))))
            .modules(withoutFlags(steps().get(1)).modules())
            .build();
    assertThat(walk(design, crowd(30, ABLE, 0)).finished()).isEqualTo(30);
    assertThat(new Asks(CompiledCourse.of(flagged)).at(0).tries()).isZero();
  }

  @Test
  void groups_have_what_is_for_them_only() {
    Step page = step(ANATOMY, "Page", StepKind.PAGE, ask(new SeenLeaf.Seen(ANATOMY)));
    Step theirs =
        onlyFor(step(FILM, "Film", StepKind.PAGE, ask(new SeenLeaf.Seen(FILM))), SATURDAY);
    List<Set<GroupId>> half = List.of(Set.of(SATURDAY), Set.of());
    var crowd = new Crowd(400, 1, 30, ABLE, 0, 1, 1, half, List.of());
    CrowdResult result = walk(withoutFlags(page, theirs), crowd);
    assertThat(result.finished()).isEqualTo(400);
    assertThat(at(result, FILM).done()).isBetween(160, 240);
  }

  @Test
  void what_rules_ask_of_a_step_is_done_there() {
    Step page =
        step(
            ANATOMY,
            "Page",
            StepKind.DISCUSSION,
            all(
                ask(new PostLeaf.Posted(ANATOMY, 2)),
                ask(new PostLeaf.Replied(ANATOMY, 1)),
                ask(new TimeLeaf.TimeSpent(ANATOMY, 90)),
                ask(new MarkLeaf.Passed(ANATOMY))));
    assertThat(walk(withoutFlags(page), crowd(30, ABLE, 0)).finished()).isEqualTo(30);
  }

  @Test
  void whoever_does_not_want_them_any_more_ends_the_walk() {
    Crowd crowd = crowd(500, MIXED, 0);
    assertThatThrownBy(() ->
            CrowdWalk.through(
                CompiledCourse.of(design()),
                crowd,
                n -> {
                  if (n >= 3) throw new CancellationException();
                }))
        .isInstanceOf(CancellationException.class);
  }

  @Test
  void natures_are_read_off_what_learners_did() {
    var natures = new Natures();
    natures.see(tried(0.4, 28, Optional.empty()));
    natures.see(tried(0.8, 14, Optional.of(new Fact.LeftCourse())));
    assertThat(natures.seen()).hasSize(2);
    assertThat(natures.seen().getFirst().ability()).isCloseTo(0.4, within(1e-9));
    assertThat(natures.seen().getFirst().perWeek()).isCloseTo(0.25, within(0.01));
    assertThat(natures.stopping().orElseThrow()).isCloseTo(1 - Math.exp(-1 / 6.0), within(0.01));
    assertThat(natures.attendance()).isEqualTo(OptionalDouble.empty());
    assertThat(new Natures().stopping()).isEmpty();
  }

  private static Progress tried(double share, int day, Optional<Fact.What> then) {
    Progress progress = Progress.begin(CompiledCourse.of(design()), new PersonId(5), START);
    progress.take(new Workshop().fact(new Fact.Enrolled()));
    Instant at = START.plus(Duration.ofDays(day));
    progress.advance(at);
    progress.take(
        new Fact(
            new FactId(7),
            at,
            Optional.empty(),
            new AttemptFact.FinishedAttempt(PADS, 1, share * 15, 15),
            Optional.empty()));
    then.ifPresent(what ->
        progress.take(new Fact(new FactId(8), at, Optional.empty(), what, Optional.empty())));
    return progress;
  }

  @Test
  void impossible_crowds_are_refused() {
    assertThat(refused(() -> crowd(0, ABLE, 0))).contains("can walk at once");
    assertThat(refused(() -> crowd(Crowd.MOST_LEARNERS + 1, ABLE, 0))).contains("can walk at once");
    assertThat(refused(() -> crowd(1, ABLE, 0.6))).contains("stop in a week");
    assertThat(refused(() -> new Folk.Around(0.5, 0.1, 0, 1))).contains("things a week");
    assertThat(refused(() -> new Folk.Around(0.5, 0.1, 1, 0.5))).contains("Paces");
    assertThat(refused(() -> new Folk.Like(List.of()))).startsWith("Nobody");
  }

  @Property(tries = 150, edgeCases = EdgeCasesMode.NONE)
  void nobody_gets_what_check_says_nobody_can(
      @ForAll("designs") SmallDesign small, @ForAll @LongRange(min = 1, max = 1000) long seed) {
    List<Set<GroupId>> groups = List.copyOf(SmallDesign.whose());
    var crowd = new Crowd(12, seed, 20, MIXED, 0.01, 1, 1, groups, List.of());
    CrowdResult result = walk(small.design(), crowd);
    assertThat(result.finished() + result.stopped() + result.noWayOn() + result.underWay())
        .isEqualTo(12);
    assertThat(result.steps().stream().mapToInt(CrowdResult.OfStep::stand).sum())
        .isLessThanOrEqualTo(12 - result.finished());
    for (Finding finding : Check.of(small.design(), Around.NOTHING))
      if (finding.weight() == Finding.Weight.NOBODY)
        assertThat(reached(result, finding.place())).as("" + finding.place()).isZero();
  }

  private static int reached(CrowdResult result, RuleAt place) {
    return switch (place) {
      case RuleAt.StepOpens p -> at(result, p.step()).opened();
      case RuleAt.StepDone p -> at(result, p.step()).done();
      case RuleAt.ModuleDone p ->
          result.modules().stream()
              .filter(m -> m.module().equals(p.module()))
              .mapToInt(CrowdResult.OfModule::done)
              .sum();
      case RuleAt.BadgeEarned p ->
          result.badges().stream()
              .filter(b -> b.badge().equals(p.badge()))
              .mapToInt(CrowdResult.OfBadge::earned)
              .sum();
      case RuleAt.CourseComplete _ -> result.finished();
      case RuleAt.ModuleOpens _, RuleAt.BadgeRenewed _, RuleAt.FlagRaised _, RuleAt.OutcomeMade _ ->
          0;
    };
  }
}
