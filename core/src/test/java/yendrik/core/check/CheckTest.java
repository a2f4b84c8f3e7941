package yendrik.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.CourseModuleBuilder;
import yendrik.core.StepBuilder;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.seen.SeenLeaf;

class CheckTest {
  private static final GroupId TUESDAY = new GroupId(2);
  private static final ModuleId WHEELS = new ModuleId(2);
  private static final StepId TRUING = new StepId(20);

  private static List<Finding> check(CourseDesign design) {
    return Check.of(design, Around.NOTHING);
  }

  /** What matters, without what is only odd. */
  private static List<Finding> grave(CourseDesign design) {
    return check(design).stream().filter(f -> f.weight() != Finding.Weight.ODD).toList();
  }

  private static CourseDesign completing(CourseDesign design, Condition when) {
    return CourseDesignBuilder.builder(design).completeWhen(Optional.of(when)).build();
  }

  private static Step page(StepId id, String name) {
    return step(id, name, StepKind.PAGE, ask(new SeenLeaf.Seen(id)));
  }

  private static Step quiz(StepId id, String name, int attempts) {
    return scored(
        step(id, name, StepKind.QUIZ, ask(new MarkLeaf.Passed(id))), 10, 0.6, attempts, BRAKE);
  }

  private static CourseModule module(ModuleId id, String name, Step... steps) {
    return new CourseModule(
        id, name, true, false, Optional.empty(), Optional.empty(), Step.Gate.USUAL, List.of(steps));
  }

  private static CourseModule opening(CourseModule module, Condition when) {
    return CourseModuleBuilder.builder(module).opensWhen(Optional.of(when)).build();
  }

  private static Instant day(int n) {
    return START.plus(Duration.ofDays(n));
  }

  private static Condition before(int day) {
    return ask(new Leaf.InTime(Optional.empty(), Optional.of(day(day))));
  }

  private static Condition from(int day) {
    return ask(new Leaf.InTime(Optional.of(day(day)), Optional.empty()));
  }

  @Test
  void a_course_in_which_all_is_well_has_nothing_grave_but_the_attempts_that_run_out() {
    assertThat(grave(design())).extracting(Finding::code).containsExactly(Finding.Code.DEAD_END);
  }

  @Test
  void two_steps_that_wait_for_each_other_are_one_finding_with_the_way_round() {
    var design =
        withoutFlags(
            opens(page(ANATOMY, "Anatomy"), ask(new Leaf.StepDone(PADS))),
            opens(page(PADS, "Pads"), ask(new SeenLeaf.Seen(ANATOMY))),
            opens(page(FILM, "Film"), ask(new Leaf.StepDone(PADS))));
    Finding circle = grave(design).getFirst();
    assertThat(grave(design)).hasSize(1);
    assertThat(circle.code()).isEqualTo(Finding.Code.CIRCLE);
    assertThat(circle.chain())
        .extracting(Finding.Link::at)
        .containsExactly(new RuleAt.StepOpens(ANATOMY), new RuleAt.StepOpens(PADS));
    assertThat(circle.holdsUp())
        .contains(
            new RuleAt.StepOpens(PADS),
            new RuleAt.StepOpens(FILM),
            new RuleAt.ModuleDone(BRAKES),
            new RuleAt.CourseComplete());
    assertThat(circle.mends()).hasSize(2);
  }

  @Test
  void a_mend_of_a_circle_leaves_a_design_without_it() {
    var design =
        withoutFlags(
            opens(page(ANATOMY, "Anatomy"), ask(new Leaf.StepDone(PADS))),
            opens(page(PADS, "Pads"), ask(new SeenLeaf.Seen(ANATOMY))));
    for (Mend mend : grave(design).getFirst().mends()) assertThat(grave(mend.in(design))).isEmpty();
  }

  @Test
  void what_is_said_of_one_circle_is_not_said_of_another_one_that_begins_at_the_same_step() {
    var one =
        withoutFlags(
            opens(page(ANATOMY, "Anatomy"), ask(new Leaf.StepDone(PADS))),
            opens(page(PADS, "Pads"), ask(new SeenLeaf.Seen(ANATOMY))),
            page(FILM, "Film"));
    var other =
        withoutFlags(
            opens(page(ANATOMY, "Anatomy"), ask(new Leaf.StepDone(FILM))),
            page(PADS, "Pads"),
            opens(page(FILM, "Film"), ask(new SeenLeaf.Seen(ANATOMY))));
    assertThat(grave(one).getFirst().place()).isEqualTo(grave(other).getFirst().place());
    assertThat(grave(one).getFirst().key())
        .isEqualTo(grave(one).getFirst().key())
        .isNotEqualTo(grave(other).getFirst().key());
  }

  @Test
  void a_badge_that_needs_the_module_it_opens_is_a_circle() {
    var badge =
        new Badge(
            new BadgeId(7),
            "Wheel Hand",
            "",
            Optional.empty(),
            Optional.of(ask(new Leaf.ModuleDone(WHEELS))),
            false);
    var wheels =
        opening(
            module(WHEELS, "Wheels", page(TRUING, "Truing")), ask(new Leaf.HoldsBadge(badge.id())));
    var found = grave(design(List.of(wheels), List.of(badge)));
    assertThat(found).extracting(Finding::code).containsExactly(Finding.Code.CIRCLE);
    assertThat(found.getFirst().chain())
        .extracting(Finding.Link::at)
        .contains(new RuleAt.ModuleOpens(WHEELS), new RuleAt.BadgeEarned(badge.id()));
  }

  @Test
  void a_badge_given_by_hand_can_open_a_module() {
    var badge =
        new Badge(new BadgeId(7), "Wheel Hand", "", Optional.empty(), Optional.empty(), false);
    var wheels =
        opening(
            module(WHEELS, "Wheels", page(TRUING, "Truing")), ask(new Leaf.HoldsBadge(badge.id())));
    assertThat(grave(design(List.of(wheels), List.of(badge)))).isEmpty();
  }

  @Test
  void a_quiz_that_opens_through_its_own_help_when_the_other_way_is_over_is_found() {
    var design =
        withoutFlags(
            opens(quiz(PADS, "Pads", 0), any(before(14), ask(new Leaf.StepDone(SECOND_LOOK)))),
            extra(opens(page(SECOND_LOOK, "Second look"), ask(new MarkLeaf.NotPassed(PADS)))));
    var found = grave(design);
    assertThat(found).extracting(Finding::code).containsExactly(Finding.Code.CIRCLE_LATER);
    assertThat(found.getFirst().arguments()).containsEntry("date", day(14));
    assertThat(found.getFirst().chain().getFirst().at()).isEqualTo(new RuleAt.StepOpens(PADS));
  }

  @Test
  void what_closes_by_the_will_of_its_designer_is_no_circle() {
    var design = withoutFlags(opens(page(ANATOMY, "Anatomy"), before(14)), page(FILM, "Film"));
    assertThat(grave(design)).isEmpty();
  }

  @Test
  void learners_of_a_group_who_can_never_complete_are_found_with_the_condition_that_stops_them() {
    var design =
        CourseDesignBuilder.builder(
                completing(
                    withoutFlags(onlyFor(page(ANATOMY, "Anatomy"), SATURDAY), page(FILM, "Film")),
                    all(ask(new Leaf.StepDone(FILM)), ask(new Leaf.InGroup(SATURDAY)))))
            .groups(Map.of(SATURDAY, "Saturday", TUESDAY, "Tuesday"))
            .build();
    var found = grave(design);
    assertThat(found).extracting(Finding::code).containsExactly(Finding.Code.GROUP_CANNOT_COMPLETE);
    assertThat(found.getFirst().groups()).containsExactly(TUESDAY);
    assertThat(found.getFirst().chain().getLast().condition())
        .hasValueSatisfying(
            c -> assertThat(((Condition.Ask) c).leaf()).isEqualTo(new Leaf.InGroup(SATURDAY)));
    assertThat(found.getFirst().mends()).hasSize(1);
  }

  @Test
  void the_last_failed_try_is_a_dead_end_unless_help_leads_on() {
    var alone = withoutFlags(quiz(PADS, "Pads", 2));
    assertThat(grave(alone)).extracting(Finding::code).containsExactly(Finding.Code.DEAD_END);
    assertThat(grave(alone).getFirst().mends()).containsExactly(new Mend.AnyAttempts(PADS));
    var helped =
        withoutFlags(
            StepBuilder.builder(quiz(PADS, "Pads", 2))
                .doneWhen(any(ask(new MarkLeaf.Passed(PADS)), ask(new Leaf.StepDone(SECOND_LOOK))))
                .build(),
            extra(opens(page(SECOND_LOOK, "Second look"), ask(new MarkLeaf.NotPassed(PADS)))));
    assertThat(grave(helped)).isEmpty();
  }

  @Test
  void more_attempts_than_there_are_are_found_and_mended_by_fewer() {
    var design =
        withoutFlags(
            StepBuilder.builder(quiz(PADS, "Pads", 2)).required(false).build(),
            opens(page(SECOND_LOOK, "Second look"), ask(new AttemptLeaf.Attempted(PADS, 3))));
    var found = grave(design);
    assertThat(found).extracting(Finding::code).containsExactly(Finding.Code.TOO_MANY_ATTEMPTS);
    assertThat(found.getFirst().arguments()).containsEntry("n", 3).containsEntry("allowed", 2);
    assertThat(found.getFirst().holdsUp())
        .contains(new RuleAt.ModuleDone(BRAKES), new RuleAt.CourseComplete());
    assertThat(found.getFirst().mends()).hasSize(2);
    assertThat(check(found.getFirst().mends().getFirst().in(design)))
        .noneMatch(f -> f.weight() == Finding.Weight.NOBODY);
  }

  @Test
  void what_never_comes_of_a_step_of_its_kind_is_found() {
    var design =
        withoutFlags(
            page(ANATOMY, "Anatomy"),
            opens(page(FILM, "Film"), ask(new MarkLeaf.Score(ANATOMY, 0.6, 1))),
            opens(page(PADS, "Pads"), ask(new PostLeaf.Posted(ANATOMY, 1))));
    assertThat(grave(design))
        .extracting(Finding::code)
        .containsExactly(Finding.Code.NOT_OF_ITS_KIND, Finding.Code.NOT_OF_ITS_KIND);
  }

  @Test
  void a_quiz_without_points_is_never_passed() {
    var quiz = step(PADS, "Pads", StepKind.QUIZ, ask(new MarkLeaf.Passed(PADS)));
    assertThat(grave(withoutFlags(quiz)))
        .extracting(Finding::code)
        .containsExactly(Finding.Code.NO_POINTS);
  }

  @Test
  void an_unpublished_step_that_others_wait_for_is_found_and_can_be_published() {
    var design =
        withoutFlags(
            unpublished(page(ANATOMY, "Anatomy")),
            opens(page(FILM, "Film"), ask(new Leaf.StepDone(ANATOMY))));
    var found = grave(design);
    assertThat(found).extracting(Finding::code).containsExactly(Finding.Code.UNPUBLISHED);
    assertThat(found.getFirst().mends()).contains(new Mend.PublishStep(ANATOMY));
  }

  @Test
  void a_condition_that_never_holds_beside_one_that_can_is_only_odd() {
    var design =
        withoutFlags(
            page(ANATOMY, "Anatomy"),
            opens(
                page(FILM, "Film"),
                any(ask(new Leaf.StepDone(ANATOMY)), ask(new MarkLeaf.Score(ANATOMY, 0.6, 1)))));
    assertThat(grave(design)).isEmpty();
    assertThat(check(design))
        .filteredOn(f -> f.code() == Finding.Code.NOT_OF_ITS_KIND)
        .singleElement()
        .satisfies(f -> assertThat(f.mends()).hasSize(1));
  }

  @Test
  void what_cannot_be_so_at_the_same_time_is_found() {
    var quiz = StepBuilder.builder(quiz(PADS, "Pads", 0)).required(false).build();
    assertThat(
            grave(
                withoutFlags(
                    quiz,
                    opens(
                        page(FILM, "Film"),
                        all(
                            ask(new MarkLeaf.Score(PADS, 0, 0.4)),
                            ask(new MarkLeaf.Score(PADS, 0.6, 1)))))))
        .extracting(Finding::code)
        .containsExactly(Finding.Code.NEVER_TOGETHER);
    assertThat(grave(withoutFlags(quiz, opens(page(FILM, "Film"), all(before(3), from(5))))))
        .extracting(Finding::code)
        .containsExactly(Finding.Code.NEVER_TOGETHER);
    assertThat(
            grave(
                withoutFlags(
                    quiz,
                    opens(
                        page(FILM, "Film"),
                        all(ask(new Leaf.StepDone(PADS)), none(ask(new Leaf.StepDone(PADS))))))))
        .extracting(Finding::code)
        .containsExactly(Finding.Code.NEVER_TOGETHER);
  }

  @Test
  void a_step_that_is_over_before_anybody_can_be_there_is_found() {
    var design =
        withoutFlags(
            window(opens(page(FILM, "Film"), ask(new Leaf.EnrolledFor(20))), null, null, day(10)));
    var found = grave(design);
    assertThat(found).extracting(Finding::code).containsExactly(Finding.Code.OVER_BEFORE_OPEN);
    assertThat(found.getFirst().arguments()).containsEntry("date", day(10));
  }

  @Test
  void due_before_it_opens_is_odd_and_mended_by_no_due_date() {
    var design =
        withoutFlags(
            window(opens(page(FILM, "Film"), ask(new Leaf.EnrolledFor(20))), null, day(10), null));
    assertThat(grave(design)).isEmpty();
    assertThat(check(design))
        .filteredOn(f -> f.code() == Finding.Code.DUE_TOO_EARLY)
        .singleElement()
        .satisfies(f -> {
          assertThat(f.arguments()).containsEntry("date", day(20));
          assertThat(f.mends()).containsExactly(new Mend.NoDueDate(FILM));
        });
  }

  @Test
  void rules_that_always_hold_are_odd_and_can_go() {
    var design =
        withoutFlags(
            quiz(PADS, "Pads", 0),
            opens(page(FILM, "Film"), none(ask(new MarkLeaf.Passed(PADS)))),
            opens(page(ANATOMY, "Anatomy"), from(-3)),
            opens(page(SECOND_LOOK, "Second look"), before(9)));
    assertThat(check(design))
        .filteredOn(f -> f.code() == Finding.Code.ALWAYS_MET)
        .extracting(Finding::place)
        .containsExactly(new RuleAt.StepOpens(FILM), new RuleAt.StepOpens(ANATOMY));
  }

  @Test
  void outcomes_without_evidence_or_with_too_few_chances_are_named() {
    var design = withoutFlags(quiz(PADS, "Pads", 0));
    assertThat(check(design))
        .filteredOn(f -> f.code() == Finding.Code.WITHOUT_EVIDENCE)
        .extracting(Finding::place)
        .containsExactly(new RuleAt.OutcomeMade(SAFE));
    var asking = completing(design, ask(new Leaf.AtMastery(SAFE)));
    assertThat(grave(asking))
        .extracting(Finding::code)
        .containsExactly(Finding.Code.NOBODY_ASSESSES);
  }

  @Test
  void dates_outside_of_the_course_and_empty_groups_are_named() {
    var design =
        withoutFlags(
            page(ANATOMY, "Anatomy"),
            opens(page(FILM, "Film"), any(from(90), ask(new Leaf.InGroup(SATURDAY)))),
            opens(page(PADS, "Pads"), any(before(-1), ask(new Leaf.StepDone(ANATOMY)))));
    var around = new Around(Optional.of(day(70)), Set.of(SATURDAY), Set.of());
    assertThat(Check.of(design, around))
        .filteredOn(f -> f.weight() == Finding.Weight.ODD && f.place() instanceof RuleAt.StepOpens)
        .extracting(Finding::code)
        .containsExactlyInAnyOrder(
            Finding.Code.AFTER_END, Finding.Code.EMPTY_GROUP, Finding.Code.BEFORE_START);
  }

  @Test
  void two_courses_that_wait_for_each_other_are_a_circle() {
    var design =
        completing(withoutFlags(page(ANATOMY, "Anatomy")), ask(new Leaf.CourseComplete(INDUCTION)));
    assertThat(grave(design)).isEmpty();
    var around = new Around(Optional.empty(), Set.of(), Set.of(INDUCTION));
    assertThat(Check.of(design, around))
        .filteredOn(f -> f.weight() == Finding.Weight.NOBODY)
        .extracting(Finding::code)
        .containsExactly(Finding.Code.CIRCLE);
    assertThat(Check.waitsFor(design, INDUCTION)).isTrue();
    assertThat(Check.waitsFor(withoutFlags(page(ANATOMY, "Anatomy")), INDUCTION)).isFalse();
  }

  @Test
  void a_strict_order_behind_a_step_that_nobody_can_do_holds_up_what_follows() {
    var stuck = opens(page(ANATOMY, "Anatomy"), ask(new SeenLeaf.Seen(ANATOMY)));
    var found = grave(design(List.of(inStrictOrder(stuck, page(FILM, "Film"))), List.of()));
    assertThat(found).extracting(Finding::code).containsExactly(Finding.Code.CIRCLE);
    assertThat(found.getFirst().holdsUp()).contains(new RuleAt.StepOpens(FILM));
  }

  @Test
  void a_strict_order_of_the_course_makes_a_circle_of_a_step_that_a_later_one_opens() {
    var waits = opens(page(ANATOMY, "Anatomy"), ask(new SeenLeaf.Seen(FILM)));
    var design = withoutFlags(waits, page(FILM, "Film"));
    assertThat(grave(design)).isEmpty();
    var found = grave(inStrictOrder(design));
    assertThat(found).extracting(Finding::code).containsExactly(Finding.Code.CIRCLE);
    assertThat(found.getFirst().chain()).extracting(Finding.Link::by).contains(Finding.By.ORDER);
  }

  @Test
  void faults_come_first_are_mended_by_taking_them_out_and_hide_nothing_else() {
    List<Step> steps = new ArrayList<>();
    steps.add(opens(page(ANATOMY, "Anatomy"), ask(new SeenLeaf.Seen(ANATOMY))));
    steps.add(opens(page(FILM, "Film"), ask(new Leaf.StepDone(new StepId(99)))));
    var found = grave(withoutFlags(steps.toArray(Step[]::new)));
    assertThat(found)
        .extracting(Finding::code)
        .containsExactly(Finding.Code.FAULT, Finding.Code.CIRCLE);
    assertThat(found.getFirst().mends()).hasSize(1);
  }
}
