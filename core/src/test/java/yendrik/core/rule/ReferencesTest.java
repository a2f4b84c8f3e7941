package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yendrik.core.Workshop.*;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.rule.check.Finding;
import yendrik.core.rule.check.References;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.plan.FaultyDesign;

class ReferencesTest {
  private static CourseDesign opening(Condition rule) {
    List<Step> steps = new ArrayList<>(steps());
    steps.set(2, opens(steps.get(2), rule));
    return design(steps);
  }

  private static List<Finding.Code> codes(Condition rule) {
    return References.check(opening(rule)).stream().map(Finding::code).toList();
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
            Finding.Code.UNKNOWN_STEP,
            Finding.Code.UNKNOWN_MODULE,
            Finding.Code.UNKNOWN_OUTCOME,
            Finding.Code.UNKNOWN_BADGE,
            Finding.Code.UNKNOWN_GROUP,
            Finding.Code.UNKNOWN_COURSE);
    assertThat(References.check(opening(rule)))
        .allSatisfy(f -> assertThat(f.arguments()).containsEntry("id", "99"));
  }

  @Test
  void a_level_that_the_scale_does_not_have_is_found() {
    assertThat(codes(ask(new Leaf.LevelAtLeast(BRAKE, 4))))
        .containsExactly(Finding.Code.UNKNOWN_LEVEL);
  }

  @Test
  void empty_and_impossible_joints_are_found() {
    assertThat(codes(all())).containsExactly(Finding.Code.EMPTY_JOINT);
    assertThat(codes(atLeast(2, ask(new Leaf.Seen(ANATOMY)))))
        .containsExactly(Finding.Code.TOO_FEW_PARTS);
  }

  @Test
  void signals_belong_to_flags_only() {
    assertThat(codes(ask(new Leaf.QuietFor(7)))).containsExactly(Finding.Code.SIGNAL_OUTSIDE_FLAG);
  }

  @Test
  void a_design_with_findings_cannot_be_compiled() {
    var faulty = opening(ask(new Leaf.StepDone(new StepId(99))));
    assertThatThrownBy(() -> CompiledCourse.of(faulty)).isInstanceOf(FaultyDesign.class);
  }
}
