package yendrik.core.rehearse;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import yendrik.core.check.SmallDesign;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.FactId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Decision;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Rhythm;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.check.Rules;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.plan.Explained;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.time.TimeLeaf;

class RehearsingTest {
  private static final Line FAILS = as(new MarkLeaf.Score(PADS, 0.4, 0.4));

  private static Line as(Leaf leaf) {
    return new Line.AsIf(leaf);
  }

  private static Line open(StepId step, boolean so) {
    return new Line.Expect(new RuleAt.StepOpens(step), so);
  }

  private static List<Played> play(CourseDesign design, Line... lines) {
    return Rehearsing.play(CompiledCourse.of(design), List.of(lines));
  }

  @Test
  void a_failed_try_opens_help_and_leaves_the_rest_closed() {
    var played =
        play(design(), FAILS, open(SECOND_LOOK, true), open(JOB_CARD, false), open(PADS, true));
    assertThat(played).allMatch(Played::fine);
    assertThat(played.getFirst().came())
        .filteredOn(Decision.Opened.class::isInstance)
        .extracting(d -> ((Decision.Opened) d).step())
        .containsExactly(SECOND_LOOK);
  }

  @Test
  void an_expectation_that_does_not_hold_is_told_and_what_follows_is_played_all_the_same() {
    var played = play(design(), open(SECOND_LOOK, true), FAILS, open(SECOND_LOOK, true));
    assertThat(played).extracting(Played::fine).containsExactly(false, true, true);
  }

  @Test
  void nothing_happens_at_what_is_closed_or_after_the_last_try() {
    var played = play(design(), as(new MarkLeaf.Passed(JOB_CARD)), FAILS, FAILS, FAILS, FAILS);
    assertThat(played)
        .extracting(Played::cannot)
        .containsExactly(
            Optional.of(Cannot.CLOSED),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.of(Cannot.NO_ATTEMPT));
    var more =
        play(design(), FAILS, FAILS, FAILS, new Line.Given(PADS, Fact.Grant.ATTEMPTS), FAILS);
    assertThat(more).allMatch(Played::fine);
  }

  @Test
  void what_never_comes_of_a_step_of_its_kind_does_not_happen() {
    assertThat(play(design(), as(new PostLeaf.Posted(ANATOMY, 1))).getFirst().cannot())
        .contains(Cannot.NOT_OF_ITS_KIND);
    assertThat(play(design(), as(new AttemptLeaf.Attempted(ANATOMY, 1))).getFirst().cannot())
        .contains(Cannot.NOT_OF_ITS_KIND);
    assertThat(play(design(), as(new SeenLeaf.Seen(new StepId(99)))).getFirst().cannot())
        .contains(Cannot.GONE);
  }

  @Test
  void what_would_take_for_ever_is_not_played() {
    int huge = Integer.MAX_VALUE;
    List<Leaf> all =
        List.of(
            new TimeLeaf.TimeSpent(ANATOMY, huge),
            new AttemptLeaf.Attempted(PADS, huge),
            new AttemptLeaf.OnDays(PADS, huge),
            new PostLeaf.Posted(ANATOMY, huge),
            new Leaf.EvidenceCount(BRAKE, huge, 2),
            new Leaf.SessionsAttended(huge),
            new Leaf.InARow(huge, Rhythm.DAYS),
            new Leaf.EnrolledFor(huge),
            new Leaf.QuietFor(huge),
            new Leaf.DaysSinceDone(ANATOMY, huge));
    for (Leaf leaf : all)
      assertThat(play(design(), as(leaf)).getFirst().cannot())
          .as("" + leaf)
          .contains(Cannot.TOO_MUCH);
  }

  @Test
  void a_whole_module_is_gone_through_and_brings_its_badge() {
    var played =
        play(
            design(),
            as(new Leaf.ModuleDone(BRAKES)),
            new Line.Expect(new RuleAt.BadgeEarned(BRAKE_HAND), true),
            new Line.Expect(new RuleAt.ModuleDone(BRAKES), true),
            new Line.Expect(new RuleAt.CourseComplete(), true));
    assertThat(played).allMatch(Played::fine);
  }

  @Test
  void an_excuse_lets_go_on_without_the_step() {
    var played =
        play(
            design(),
            new Line.Given(PRACTICAL, Fact.Grant.EXCUSED),
            open(JOB_CARD, true),
            as(new Leaf.ModuleDone(BRAKES)));
    assertThat(played).allMatch(Played::fine);
  }

  @Test
  void days_pass_and_raise_flags() {
    var quiet =
        design().flags().stream().filter(f -> f.name().equals("Quiet")).findFirst().orElseThrow();
    var up = new Line.Expect(new RuleAt.FlagRaised(quiet.id()), true);
    var played =
        play(
            design(), as(new SeenLeaf.Seen(ANATOMY)), new Line.Later(6), up, new Line.Later(1), up);
    assertThat(played).extracting(Played::fine).containsExactly(true, true, false, true, true);
    assertThat(played.get(3).at()).isEqualTo(played.get(1).at().plusSeconds(86_400));
  }

  @Test
  void groups_levels_and_courses_come_as_if_they_were_so() {
    var design =
        design(
            steps().stream()
                .map(s ->
                    s.id().equals(SECOND_LOOK)
                        ? opens(
                            s,
                            all(
                                ask(new Leaf.InGroup(SATURDAY)),
                                ask(new Leaf.AtMastery(BRAKE)),
                                ask(new Leaf.SessionsAttended(2)),
                                ask(new Leaf.CourseComplete(INDUCTION))))
                        : s)
                .toList());
    var played =
        play(
            design,
            as(new Leaf.InGroup(SATURDAY)),
            as(new Leaf.AtMastery(BRAKE)),
            as(new Leaf.SessionsAttended(2)),
            open(SECOND_LOOK, false),
            as(new Leaf.CourseComplete(INDUCTION)),
            open(SECOND_LOOK, true));
    assertThat(played).allMatch(Played::fine);
  }

  @Provide
  Arbitrary<SmallDesign> designs() {
    return SmallDesign.designs();
  }

  @Property(tries = 300, edgeCases = EdgeCasesMode.NONE)
  void what_is_said_to_have_come_about_is_so(@ForAll("designs") SmallDesign small) {
    CompiledCourse course = CompiledCourse.of(small.design());
    Rules.of(small.design())
        .forEach((at, rule) ->
            rule.nodes()
                .forEach(node -> {
                  if (node instanceof Condition.Ask ask) comes(course, at, ask);
                }));
  }

  private static void comes(CompiledCourse course, RuleAt at, Condition.Ask ask) {
    List<Line> lines = List.of(as(ask.leaf()));
    if (Rehearsing.play(course, lines).getFirst().cannot().isPresent()) return;
    Explained root = Rehearsing.behind(course, lines).explain(at).orElseThrow();
    assertThat(verdict(root, ask)).as(ask.leaf() + " at " + at).isIn(Verdict.MET, Verdict.WAIVED);
  }

  private static Verdict verdict(Explained e, Condition.Ask ask) {
    return nodes(e)
        .filter(x -> x.condition().id().equals(ask.id()))
        .findFirst()
        .orElseThrow()
        .verdict();
  }

  private static Stream<Explained> nodes(Explained e) {
    return Stream.concat(Stream.of(e), e.parts().stream().flatMap(RehearsingTest::nodes));
  }

  @Property(tries = 300, edgeCases = EdgeCasesMode.NONE)
  void what_would_bring_a_step_to_be_open_does(@ForAll("designs") SmallDesign small) {
    CompiledCourse course = CompiledCourse.of(small.design());
    small
        .design()
        .steps()
        .forEach(step -> {
          Progress now = Rehearsing.behind(course, List.of());
          BroughtAbout brought = BroughtAbout.open(now, step.id());
          if (brought.cannot().isPresent()) {
            assertThat(brought.events()).isEmpty();
            return;
          }
          Progress then = lived(now.copy(), brought);
          assertThat(then.sight().open(course.index().number(step.id())))
              .as("" + step.id())
              .isTrue();
          assertThat(now.latches()).isEqualTo(Rehearsing.behind(course, List.of()).latches());
        });
  }

  private static Progress lived(Progress progress, BroughtAbout brought) {
    long id = 1000;
    for (BroughtAbout.Event event : brought.events())
      switch (event) {
        case BroughtAbout.Event.Until u -> progress.advance(u.moment());
        case BroughtAbout.Event.Happens h ->
            progress.take(
                new Fact(
                    new FactId(id++),
                    progress.asOf(),
                    Optional.empty(),
                    h.what(),
                    Optional.empty()));
      }
    return progress;
  }

  @Test
  void a_step_behind_others_is_opened_by_all_that_it_waits_for() {
    Progress now = Rehearsing.behind(CompiledCourse.of(design()), List.of());
    assertThat(BroughtAbout.open(now, JOB_CARD).cannot()).isEmpty();
    assertThat(BroughtAbout.open(now, new StepId(99)).cannot()).contains(Cannot.GONE);
  }
}
