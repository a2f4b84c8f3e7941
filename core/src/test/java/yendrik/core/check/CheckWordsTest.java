package yendrik.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.StepKind;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Fault;
import yendrik.core.strand.seen.SeenLeaf;

class CheckWordsTest {
  private static final CourseDesign STUCK =
      withoutFlags(
          opens(
              step(ANATOMY, "Anatomy", StepKind.PAGE, ask(new SeenLeaf.Seen(ANATOMY))),
              ask(new Leaf.StepDone(PADS))),
          opens(
              step(PADS, "Pads", StepKind.PAGE, ask(new SeenLeaf.Seen(PADS))),
              ask(new SeenLeaf.Seen(ANATOMY))));

  @Test
  void a_circle_is_told_step_by_step_with_acts_that_would_open_it() {
    Finding circle = Check.of(STUCK, Around.NOTHING).getFirst();
    var words = new CheckWords(STUCK, ENGLISH);
    assertThat(words.says(circle))
        .isEqualTo("“Anatomy” waits for itself in the end, so nobody ever gets there.");
    assertThat(words.chain(circle))
        .containsExactly("“Anatomy” opens when: Pads is done", "“Pads” opens when: Anatomy read");
    assertThat(circle.mends().stream().map(words::says))
        .containsExactly(
            "Take “Pads is done” out of what opens “Anatomy”, so that nothing is asked there",
            "Take “Anatomy read” out of what opens “Pads”, so that nothing is asked there");
  }

  @ParameterizedTest
  @EnumSource(Finding.Code.class)
  void every_finding_has_a_sentence(Finding.Code code) {
    Object fault =
        new Fault(Fault.Code.EMPTY_JOINT, new RuleAt.StepOpens(PADS), Optional.empty(), Map.of());
    Map<String, Object> with =
        code == Finding.Code.FAULT
            ? Map.of("fault", fault)
            : Map.of(
                "date",
                START,
                "n",
                3,
                "allowed",
                2,
                "steps",
                1,
                "group",
                "Saturday",
                "attempts",
                2,
                "needed",
                2);
    var finding =
        new Finding(
            code,
            Finding.Weight.ODD,
            new RuleAt.StepOpens(PADS),
            Optional.empty(),
            with,
            List.of(),
            List.of(),
            List.of(SATURDAY),
            List.of());
    assertThat(new CheckWords(STUCK, ENGLISH).says(finding))
        .isNotBlank()
        .doesNotContain("{")
        .doesNotContain("check.");
  }
}
