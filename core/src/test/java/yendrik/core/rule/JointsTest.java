package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yendrik.core.Workshop;
import yendrik.core.course.Step;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.plan.Explained;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.signoff.SignOffLeaf;

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
    progress.take(learner.fact(new SeenFact.Saw(ANATOMY)));
    progress.take(learner.fact(new Fact.Excused(JOB_CARD, "")));
    assertThat(progress.explain(new RuleAt.StepOpens(PRACTICAL)).orElseThrow().verdict())
        .isEqualTo(expected);
  }

  private static Condition part(char letter) {
    return switch (letter) {
      case 'm' -> ask(new SeenLeaf.Seen(ANATOMY));
      case 'n' -> ask(new MarkLeaf.Passed(PADS));
      case 'o' -> ask(new Leaf.InTime(Optional.empty(), Optional.of(START)));
      case 'l' ->
          ask(new Leaf.InTime(Optional.empty(), Optional.of(START.plus(Duration.ofDays(9)))));
      default -> ask(new Leaf.StepDone(JOB_CARD));
    };
  }

  private static Progress waitingFor(Condition rule, Fact.What... facts) {
    List<Step> steps = new ArrayList<>(steps());
    steps.set(2, opens(steps.get(2), rule));
    Workshop learner = new Workshop();
    Progress progress = Progress.begin(CompiledCourse.of(design(steps)), JUNO, START);
    progress.take(learner.fact(new Fact.Enrolled()));
    for (Fact.What what : facts) progress.take(learner.fact(what));
    return progress;
  }

  private static Explained asked(Progress progress) {
    return progress.explain(new RuleAt.StepOpens(PRACTICAL)).orElseThrow();
  }

  @Test
  void a_joint_matters_next_when_the_first_of_its_parts_does() {
    Instant soon = START.plusSeconds(3_600);
    Instant late = soon.plusSeconds(3_600);
    Condition first = ask(new Leaf.InTime(Optional.of(soon), Optional.empty()));
    Condition second = ask(new Leaf.InTime(Optional.of(late), Optional.empty()));
    for (Condition joint :
        List.of(
            all(second, first), any(second, first), atLeast(2, second, first), none(second, first)))
      assertThat(asked(waitingFor(joint)).next()).isEqualTo(soon.toEpochMilli());
  }

  @Test
  void some_of_many_are_the_learners_turn_if_any_part_is_and_last_when_enough_parts_do() {
    Condition staff = ask(new SignOffLeaf.SignedOff(PADS));
    Condition own = ask(new SeenLeaf.Seen(ANATOMY));
    var later = new Leaf.InTime(Optional.of(START.plusSeconds(9_000)), Optional.empty());
    Condition date = ask(later);
    assertThat(asked(waitingFor(atLeast(2, staff, own, date))).turn()).isEqualTo(Turn.LEARNER);
    assertThat(asked(waitingFor(atLeast(2, staff, date, ask(later)))).turn()).isEqualTo(Turn.STAFF);
    Instant ends = START.plusSeconds(3_600);
    Condition lapses = ask(new Leaf.InTime(Optional.empty(), Optional.of(ends)));
    Explained forNow = asked(waitingFor(atLeast(2, lapses, own, staff), new SeenFact.Saw(ANATOMY)));
    assertThat(forNow.verdict()).isEqualTo(Verdict.MET);
    assertThat(forNow.next()).isEqualTo(ends.toEpochMilli());
  }

  @Test
  void none_waits_for_whoever_can_take_away_what_is_met() {
    Condition inGroup = ask(new Leaf.InGroup(SATURDAY));
    Progress progress = waitingFor(none(inGroup), new Fact.JoinedGroup(SATURDAY));
    assertThat(asked(progress).verdict()).isEqualTo(Verdict.NOT_YET);
    assertThat(asked(progress).fraction()).isZero();
    assertThat(asked(waitingFor(none(inGroup))).verdict()).isEqualTo(Verdict.MET);
  }

  /** What is met for good can never be taken back by a <em>none of</em>; what may lapse can. */
  private static Verdict noneOf(Condition part) {
    return asked(waitingFor(none(part), new SeenFact.Saw(ANATOMY), new Fact.Excused(JOB_CARD, "")))
        .verdict();
  }

  @Test
  void a_joint_lasts_when_enough_of_its_parts_do() {
    assertThat(noneOf(all(part('m'), part('m')))).isEqualTo(Verdict.OUT_OF_REACH);
    assertThat(noneOf(all(part('m'), part('l')))).isEqualTo(Verdict.NOT_YET);
    assertThat(noneOf(any(part('l'), part('n')))).isEqualTo(Verdict.NOT_YET);
    assertThat(noneOf(any(part('l'), part('m')))).isEqualTo(Verdict.OUT_OF_REACH);
    assertThat(noneOf(atLeast(2, part('m'), part('l'), part('n')))).isEqualTo(Verdict.NOT_YET);
    assertThat(noneOf(atLeast(2, part('m'), part('l'), part('m')))).isEqualTo(Verdict.OUT_OF_REACH);
    assertThat(noneOf(all(part('m'), part('w')))).as("waived").isEqualTo(Verdict.OUT_OF_REACH);
    assertThat(noneOf(none(part('o')))).as("never again").isEqualTo(Verdict.OUT_OF_REACH);
    assertThat(noneOf(none(part('o'), part('w')))).isEqualTo(Verdict.OUT_OF_REACH);
    assertThat(noneOf(none(part('n')))).as("until it is met").isEqualTo(Verdict.NOT_YET);
    assertThat(noneOf(none(part('o'), part('n')))).isEqualTo(Verdict.NOT_YET);
  }

  @Test
  void one_of_many_is_as_far_as_the_furthest() {
    Condition far = ask(new MarkLeaf.Score(PADS, 0.6, 1));
    Condition near = ask(new SeenLeaf.Seen(ANATOMY));
    var attempt = new AttemptFact.FinishedAttempt(PADS, 1, 6, 15);
    Explained one = asked(waitingFor(any(near, far), attempt));
    assertThat(one.fraction()).isCloseTo(0.4 / 0.6, Offset.offset(1e-9));
    Explained most =
        asked(waitingFor(atLeast(2, near, far, ask(new MarkLeaf.Passed(PADS))), attempt));
    assertThat(most.fraction()).isCloseTo((0.4 / 0.6 + 0.4) / 2, Offset.offset(1e-9));
  }
}
