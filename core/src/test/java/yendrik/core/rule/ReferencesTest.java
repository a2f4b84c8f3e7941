package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yendrik.core.Workshop.*;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Composition;
import yendrik.core.rule.check.Fault;
import yendrik.core.rule.check.References;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.plan.FaultyDesign;
import yendrik.core.strand.seen.SeenLeaf;

class ReferencesTest {
  private static CourseDesign opening(Condition rule) {
    List<Step> steps = new ArrayList<>(steps());
    steps.set(2, opens(steps.get(2), rule));
    return design(steps);
  }

  private static List<Fault.Code> codes(Condition rule) {
    return References.check(opening(rule)).stream().map(Fault::code).toList();
  }

  @Test
  void a_sound_design_has_no_findings() {
    assertThat(References.check(design())).isEmpty();
  }

  @Test
  void every_unknown_name_is_found_and_named() {
    var rule =
        all(
            ask(new Leaf.StepDone(new StepId(99))),
            ask(new Leaf.ModuleDone(new ModuleId(99))),
            ask(new Leaf.AtMastery(new OutcomeId(99))),
            ask(new Leaf.HoldsBadge(new BadgeId(99))),
            ask(new Leaf.InGroup(new GroupId(99))),
            ask(new Leaf.CourseComplete(new CourseId(99))));
    assertThat(codes(rule))
        .containsExactly(
            Fault.Code.UNKNOWN_STEP,
            Fault.Code.UNKNOWN_MODULE,
            Fault.Code.UNKNOWN_OUTCOME,
            Fault.Code.UNKNOWN_BADGE,
            Fault.Code.UNKNOWN_GROUP,
            Fault.Code.UNKNOWN_COURSE);
    assertThat(References.check(opening(rule)))
        .allSatisfy(f -> assertThat(f.arguments()).containsEntry("id", "99"));
  }

  @Test
  void a_level_that_the_scale_does_not_have_is_found() {
    assertThat(codes(ask(new Leaf.LevelAtLeast(BRAKE, 4))))
        .containsExactly(Fault.Code.UNKNOWN_LEVEL);
  }

  @Test
  void empty_and_impossible_joints_are_found() {
    assertThat(codes(all())).containsExactly(Fault.Code.EMPTY_JOINT);
    assertThat(codes(atLeast(2, ask(new SeenLeaf.Seen(ANATOMY)))))
        .containsExactly(Fault.Code.TOO_FEW_PARTS);
  }

  private static List<String> found(CourseDesign design) {
    return References.check(design).stream().map(f -> f.code() + " " + f.place()).toList();
  }

  private static CourseDesign ruled(
      Optional<Condition> moduleOpens,
      Optional<Condition> moduleDone,
      Condition badge,
      Optional<Condition> complete) {
    CourseDesign d = design();
    var module =
        new CourseModule(
            BRAKES, "Brakes", true, false, moduleOpens, moduleDone, Step.Gate.USUAL, steps());
    var hand = new Badge(BRAKE_HAND, "Brake Hand", "", Optional.empty(), Optional.of(badge), false);
    return CourseDesignBuilder.builder(d)
        .modules(List.of(module))
        .badges(List.of(hand))
        .completeWhen(complete)
        .build();
  }

  @Test
  void nothing_waits_for_itself_and_every_place_of_a_rule_is_looked_at_in_course_order() {
    Condition unknown = ask(new Leaf.StepDone(new StepId(99)));
    assertThat(
            found(
                ruled(
                    Optional.of(unknown),
                    Optional.of(ask(new Leaf.ModuleDone(BRAKES))),
                    ask(new Leaf.HoldsBadge(BRAKE_HAND)),
                    Optional.of(ask(new Leaf.CourseComplete(COURSE))))))
        .containsExactly(
            "UNKNOWN_STEP " + new RuleAt.ModuleOpens(BRAKES),
            "ASKS_ITSELF " + new RuleAt.ModuleDone(BRAKES),
            "ASKS_ITSELF " + new RuleAt.BadgeEarned(BRAKE_HAND),
            "ASKS_ITSELF " + new RuleAt.CourseComplete());
    assertThat(
            found(
                ruled(
                    Optional.empty(),
                    Optional.of(ask(new Leaf.QuizzesScored(Optional.of(new ModuleId(99)), 0.5))),
                    ask(new Leaf.ModuleDone(BRAKES)),
                    Optional.of(ask(new Leaf.ModuleCount(new ModuleId(98), 1))))))
        .containsExactly(
            "UNKNOWN_MODULE " + new RuleAt.ModuleDone(BRAKES),
            "UNKNOWN_MODULE " + new RuleAt.CourseComplete());
    assertThat(codes(ask(new Leaf.CourseComplete(COURSE)))).isEmpty();
  }

  @Test
  void a_step_that_asks_whether_it_is_done_itself_is_found() {
    List<Step> steps = new ArrayList<>(steps());
    Step own = step(ANATOMY, "Rim brake anatomy", StepKind.PAGE, ask(new Leaf.StepDone(ANATOMY)));
    steps.set(0, own);
    assertThat(found(design(steps))).containsExactly("ASKS_ITSELF " + new RuleAt.StepDone(ANATOMY));
  }

  @Test
  void two_parts_of_a_rule_with_one_id_are_found() {
    Condition read = ask(new SeenLeaf.Seen(ANATOMY));
    assertThat(codes(all(read, read))).containsExactly(Fault.Code.DOUBLE_NODE);
    assertThat(References.check(opening(all(read, read))).getFirst().arguments())
        .containsEntry("id", read.id().value());
  }

  @Test
  void ties_to_outcomes_that_are_gone_or_made_of_others_are_found() {
    List<Step> steps = new ArrayList<>(steps());
    steps.set(0, tied(steps.get(0), new Step.Tie(new OutcomeId(99), 1)));
    assertThat(found(design(steps))).containsExactly("UNKNOWN_TIE " + new RuleAt.StepDone(ANATOMY));
    CourseDesign whole = withWhole(new Composition(List.of(BRAKE, SAFE), new Composition.All()));
    List<Step> tiedToWhole = new ArrayList<>(steps());
    tiedToWhole.set(0, tied(steps().get(0), new Step.Tie(WHOLE, 1)));
    CourseModule module = inStrictOrder(tiedToWhole.toArray(Step[]::new));
    CourseDesign design = CourseDesignBuilder.builder(whole).modules(List.of(module)).build();
    assertThat(References.check(design))
        .singleElement()
        .satisfies(f -> {
          assertThat(f.code()).isEqualTo(Fault.Code.TIE_TO_COMPOSED);
          assertThat(f.arguments()).containsEntry("outcome", "WHOLE");
        });
  }

  @Test
  void signals_belong_to_flags_only() {
    assertThat(codes(ask(new Leaf.QuietFor(7)))).containsExactly(Fault.Code.SIGNAL_OUTSIDE_FLAG);
  }

  @Test
  void a_design_with_findings_cannot_be_compiled() {
    var faulty = opening(ask(new Leaf.StepDone(new StepId(99))));
    assertThatThrownBy(() -> CompiledCourse.of(faulty)).isInstanceOf(FaultyDesign.class);
  }
}
