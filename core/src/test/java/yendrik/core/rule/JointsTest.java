package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yendrik.core.Workshop;
import yendrik.core.course.Step;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.plan.CompiledCourse;

/**
 * The table of joints: m met for good, n not yet, o out of reach, w waived, l met but may lapse.
 */
class JointsTest {
  static Stream<Arguments> table() {
    return Stream.of(
        Arguments.of("all", "mm", Verdict.MET),
        Arguments.of("all", "mn", Verdict.NOT_YET),
        Arguments.of("all", "mo", Verdict.OUT_OF_REACH),
        Arguments.of("all", "no", Verdict.OUT_OF_REACH),
        Arguments.of("all", "mw", Verdict.MET),
        Arguments.of("all", "ww", Verdict.WAIVED),
        Arguments.of("any", "mo", Verdict.MET),
        Arguments.of("any", "no", Verdict.NOT_YET),
        Arguments.of("any", "oo", Verdict.OUT_OF_REACH),
        Arguments.of("any", "ow", Verdict.OUT_OF_REACH),
        Arguments.of("any", "ww", Verdict.WAIVED),
        Arguments.of("2of", "mmo", Verdict.MET),
        Arguments.of("2of", "mno", Verdict.NOT_YET),
        Arguments.of("2of", "moo", Verdict.OUT_OF_REACH),
        Arguments.of("2of", "mww", Verdict.MET),
        Arguments.of("2of", "nww", Verdict.NOT_YET),
        Arguments.of("none", "nn", Verdict.MET),
        Arguments.of("none", "oo", Verdict.MET),
        Arguments.of("none", "nl", Verdict.NOT_YET),
        Arguments.of("none", "nm", Verdict.OUT_OF_REACH),
        Arguments.of("none", "lm", Verdict.OUT_OF_REACH),
        Arguments.of("none", "ow", Verdict.MET),
        Arguments.of("none", "ww", Verdict.WAIVED));
  }

  @ParameterizedTest(name = "{0} of {1} is {2}")
  @MethodSource("table")
  void every_joint_follows_its_row(String joint, String parts, Verdict expected) {
    List<Condition> conditions = new ArrayList<>();
    for (char part : parts.toCharArray()) conditions.add(part(part));
    Condition[] of = conditions.toArray(Condition[]::new);
    Condition rule =
        switch (joint) {
          case "all" -> all(of);
          case "any" -> any(of);
          case "2of" -> atLeast(2, of);
          default -> none(of);
        };
    List<Step> steps = new ArrayList<>(steps());
    steps.set(2, opens(steps.get(2), rule));
    Workshop learner = new Workshop();
    Progress progress = Progress.begin(CompiledCourse.of(design(steps)), JUNO, START);
    progress.take(learner.fact(new Fact.Enrolled()));
    progress.take(learner.fact(new Fact.Saw(ANATOMY)));
    progress.take(learner.fact(new Fact.Excused(JOB_CARD, "")));
    assertThat(progress.explain(new RuleAt.StepOpens(PRACTICAL)).orElseThrow().verdict())
        .isEqualTo(expected);
  }

  private static Condition part(char letter) {
    return switch (letter) {
      case 'm' -> ask(new Leaf.Seen(ANATOMY));
      case 'n' -> ask(new Leaf.Passed(PADS));
      case 'o' -> ask(new Leaf.InTime(Optional.empty(), Optional.of(START)));
      case 'l' ->
          ask(new Leaf.InTime(Optional.empty(), Optional.of(START.plus(Duration.ofDays(9)))));
      default -> ask(new Leaf.StepDone(JOB_CARD));
    };
  }
}
