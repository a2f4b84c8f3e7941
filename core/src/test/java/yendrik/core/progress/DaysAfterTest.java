package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import yendrik.core.Workshop;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.StepId;
import yendrik.core.people.StaffKind;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.plan.ApprovalsWanted;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.plan.Explained;
import yendrik.core.rule.plan.StillMissing;
import yendrik.core.rule.words.Wording;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;

/** Conditions that hold only some days after another one first held. */
class DaysAfterTest {
  private static final StepId NEXT = new StepId(20);
  private static final RuleAt OPENS = new RuleAt.StepOpens(NEXT);
  private final Workshop learner = new Workshop();
  private Progress progress;

  private static CourseDesign opening(Condition rule) {
    Step first = step(ANATOMY, "Anatomy", StepKind.PAGE, ask(new SeenLeaf.Seen(ANATOMY)));
    Step next = step(NEXT, "Next", StepKind.PAGE, ask(new SeenLeaf.Seen(NEXT)));
    return withoutFlags(first, opens(next, rule));
  }

  private void begin(Condition rule) {
    progress = Progress.begin(CompiledCourse.of(opening(rule)), JUNO, START);
    take(new Fact.Enrolled());
  }

  private void take(Fact.What what) {
    progress.take(learner.fact(what));
  }

  private Explained rule() {
    return progress.explain(OPENS).orElseThrow();
  }

  private boolean open() {
    return progress.sight().open(progress.course().index().number(NEXT));
  }

  private static Instant day(int day) {
    return START.plus(Duration.ofDays(day));
  }

  @Test
  void count_from_the_moment_at_which_the_other_first_held() {
    begin(after(3, ask(new SeenLeaf.Seen(ANATOMY))));
    assertThat(rule().verdict()).isEqualTo(Verdict.NOT_YET);
    assertThat(rule().turn()).isEqualTo(Turn.LEARNER);
    take(new SeenFact.Saw(ANATOMY));
    Instant since = progress.asOf();
    assertThat(rule().turn()).isEqualTo(Turn.CLOCK);
    assertThat(Instant.ofEpochMilli(progress.nextMoment()))
        .isEqualTo(since.plus(Duration.ofDays(3)));
    progress.advance(since.plus(Duration.ofDays(3)).minusMillis(1));
    assertThat(open()).isFalse();
    progress.advance(since.plus(Duration.ofDays(3)));
    assertThat(open()).isTrue();
  }

  @Test
  void begin_with_the_steps_own_being_done_where_they_ask_about_its_module() {
    Condition done =
        any(ask(new SeenLeaf.Seen(ANATOMY)), after(2, ask(new Leaf.ModuleShare(BRAKES, 0.5))));
    Step only = step(ANATOMY, "Anatomy", StepKind.PAGE, done);
    progress = Progress.begin(CompiledCourse.of(withoutFlags(only)), JUNO, START);
    take(new Fact.Enrolled());
    take(new SeenFact.Saw(ANATOMY));
    assertThat(progress.doneAt(0)).contains(progress.asOf());
    assertThat(progress.latches().firstMet()).as("the module is done with it").hasSize(1);
    assertThat(Instant.ofEpochMilli(progress.nextMoment()))
        .isEqualTo(progress.asOf().plus(Duration.ofDays(2)));
  }

  @Test
  void go_on_counting_when_the_other_holds_no_more() {
    begin(after(2, all(ask(new Leaf.InGroup(SATURDAY)), ask(new SeenLeaf.Seen(ANATOMY)))));
    take(new Fact.JoinedGroup(SATURDAY));
    take(new SeenFact.Saw(ANATOMY));
    take(new Fact.LeftGroup(SATURDAY));
    progress.advance(day(4));
    assertThat(open()).isTrue();
  }

  @Test
  void count_anew_where_what_they_rest_on_was_taken_back() {
    begin(after(2, ask(new Leaf.Approved(StaffKind.FACILITATOR))));
    Fact approved = learner.fact(new Fact.Approved(StaffKind.FACILITATOR, ""));
    progress.take(approved);
    assertThat(progress.latches().firstMet()).hasSize(1);
    var without =
        Progress.resume(
            progress.course(),
            JUNO,
            learner.all.stream().filter(f -> !f.equals(approved)).toList(),
            Latches.none(START.toEpochMilli()));
    without.advance(day(5));
    assertThat(without.latches().firstMet()).isEmpty();
  }

  @Test
  void are_kept_while_a_publication_leaves_them_out() {
    Condition rule = after(3, ask(new SeenLeaf.Seen(ANATOMY)));
    begin(rule);
    take(new SeenFact.Saw(ANATOMY));
    var kept = progress.latches().firstMet();
    Instant at = learner.later(Duration.ofDays(1)).now();
    progress =
        progress.under(CompiledCourse.of(opening(ask(new SeenLeaf.Seen(NEXT)))), learner.all, at);
    assertThat(progress.latches().firstMet()).isEqualTo(kept);
    progress = progress.under(CompiledCourse.of(opening(rule)), learner.all, at);
    progress.advance(day(4));
    assertThat(open()).isTrue();
  }

  @Test
  void can_stand_in_each_other_and_in_none_of() {
    begin(after(1, after(1, ask(new SeenLeaf.Seen(ANATOMY)))));
    take(new SeenFact.Saw(ANATOMY));
    Instant since = progress.asOf();
    progress.advance(since.plus(Duration.ofHours(47)));
    assertThat(open()).isFalse();
    progress.advance(since.plus(Duration.ofHours(48)));
    assertThat(open()).isTrue();

    begin(none(after(1, ask(new Leaf.InGroup(SATURDAY)))));
    assertThat(open()).isTrue();
    take(new Fact.JoinedGroup(SATURDAY));
    progress.advance(progress.asOf().plus(Duration.ofDays(1)));
    assertThat(rule().verdict()).as("what was met stays so").isEqualTo(Verdict.OUT_OF_REACH);
  }

  @Test
  void do_not_concern_whoever_is_excused_from_the_other() {
    begin(after(2, ask(new SeenLeaf.Seen(ANATOMY))));
    take(new Fact.Excused(ANATOMY, ""));
    assertThat(rule().verdict()).isEqualTo(Verdict.WAIVED);
    assertThat(open()).isTrue();
  }

  @Test
  void ask_for_an_approval_before_they_count_and_not_while_they_do() {
    begin(after(2, ask(new Leaf.Approved(StaffKind.FACILITATOR))));
    assertThat(ApprovalsWanted.of(rule())).containsExactly(StaffKind.FACILITATOR);
    take(new Fact.Approved(StaffKind.FACILITATOR, ""));
    assertThat(ApprovalsWanted.of(rule())).isEmpty();
    assertThat(StillMissing.of(rule(), _ -> 1)).as("time is left").isEqualTo(1);

    begin(
        all(
            after(2, ask(new SeenLeaf.Seen(ANATOMY))),
            ask(new Leaf.Approved(StaffKind.FACILITATOR))));
    take(new SeenFact.Saw(ANATOMY));
    assertThat(ApprovalsWanted.of(rule())).as("days are missing too").isEmpty();
    progress.advance(day(5));
    assertThat(ApprovalsWanted.of(rule())).containsExactly(StaffKind.FACILITATOR);
  }

  @Test
  void read_as_what_they_are() {
    var wording = new Wording(design(), ENGLISH);
    Condition either =
        any(ask(new Leaf.InGroup(SATURDAY)), ask(new Leaf.Approved(StaffKind.DESIGNER)));
    assertThat(wording.line(after(1, ask(new Leaf.InGroup(SATURDAY))), OPENS))
        .startsWith("a day after in ");
    assertThat(wording.line(after(3, either), OPENS)).startsWith("3 days after (in ");
  }
}
