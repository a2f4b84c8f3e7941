package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.Workshop;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;

/** What a learner may know of a course, and what is kept from them. */
class KnownTest {
  private static final ModuleId SECRET = new ModuleId(7);
  private static final BadgeId SURPRISE = new BadgeId(7);
  private static final Step.Gate HIDDEN = new Step.Gate(/* listed= */ false, /* staysOpen= */ true);
  private final Workshop learner = new Workshop();
  private Progress progress;
  private Known known;

  private void begin(CourseDesign design) {
    progress = Progress.begin(CompiledCourse.of(design), JUNO, START);
    known = new Known(progress);
    take(new Fact.Enrolled());
  }

  private void take(Fact.What what) {
    progress.take(learner.fact(what));
  }

  private void publish(CourseDesign design) {
    progress = progress.under(CompiledCourse.of(design), learner.all, learner.now());
    known = new Known(progress);
  }

  private static Step page(StepId id) {
    return step(id, "Page " + id, StepKind.PAGE, ask(new SeenLeaf.Seen(id)));
  }

  private static Step hidden(Step s) {
    return gated(s, HIDDEN);
  }

  private static CourseModule module(
      ModuleId id, boolean published, Step.Gate gate, Optional<Condition> opens, Step... steps) {
    return new CourseModule(
        id, "Module " + id, published, false, opens, Optional.empty(), gate, List.of(steps));
  }

  private static CourseModule usual(Step... steps) {
    return module(BRAKES, true, Step.Gate.USUAL, Optional.empty(), steps);
  }

  private static CourseDesign only(CourseModule... modules) {
    return design(List.of(modules), List.of());
  }

  private static Condition seenAnatomy() {
    return ask(new SeenLeaf.Seen(ANATOMY));
  }

  @Test
  void a_closed_step_is_known_when_it_is_listed_and_else_only_once_it_is_open() {
    begin(
        only(
            usual(
                page(ANATOMY),
                opens(page(PADS), seenAnatomy()),
                hidden(opens(page(PRACTICAL), seenAnatomy())))));
    assertThat(known.step(PADS)).as("listed").isTrue();
    assertThat(known.step(PRACTICAL)).as("hidden").isFalse();
    take(new SeenFact.Saw(ANATOMY));
    assertThat(known.step(PRACTICAL)).as("open").isTrue();
  }

  @Test
  void a_hidden_step_that_was_done_stays_known_though_its_rule_does_not_hold_any_more() {
    Step once = opens(page(PRACTICAL), none(ask(new Leaf.InGroup(SATURDAY))));
    begin(only(usual(page(ANATOMY), followsHidden(once))));
    take(new SeenFact.Saw(PRACTICAL));
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(known.step(PRACTICAL)).as("done").isTrue();
  }

  @Test
  void a_hidden_step_that_closed_again_before_it_was_done_is_not_known() {
    Step once = opens(page(PRACTICAL), none(ask(new Leaf.InGroup(SATURDAY))));
    begin(only(usual(page(ANATOMY), followsHidden(once))));
    assertThat(known.step(PRACTICAL)).isTrue();
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(known.step(PRACTICAL)).isFalse();
  }

  private static Step followsHidden(Step s) {
    return gated(s, new Step.Gate(/* listed= */ false, /* staysOpen= */ false));
  }

  @Test
  void what_is_not_published_or_for_others_is_not_known_nor_what_is_nowhere() {
    begin(only(usual(page(ANATOMY), unpublished(page(PADS)), onlyFor(page(PRACTICAL), SATURDAY))));
    assertThat(known.step(ANATOMY)).isTrue();
    assertThat(known.step(PADS)).as("not published").isFalse();
    assertThat(known.step(PRACTICAL)).as("for others").isFalse();
    assertThat(known.step(new StepId(99))).as("nowhere").isFalse();
    assertThat(known.module(new ModuleId(99))).as("nowhere").isFalse();
  }

  @Test
  void a_module_is_known_when_something_in_it_is_for_the_learner() {
    begin(
        only(
            usual(page(ANATOMY)),
            module(
                SECRET, true, Step.Gate.USUAL, Optional.empty(), onlyFor(page(PADS), SATURDAY))));
    assertThat(known.module(BRAKES)).isTrue();
    assertThat(known.module(SECRET)).isFalse();
    take(new Fact.JoinedGroup(SATURDAY));
    assertThat(known.module(SECRET)).isTrue();
    assertThat(known.step(PADS)).isTrue();
  }

  @Test
  void a_hidden_module_and_its_listed_steps_are_known_once_it_opens() {
    begin(
        only(
            usual(page(ANATOMY)),
            module(SECRET, true, HIDDEN, Optional.of(seenAnatomy()), page(PADS))));
    assertThat(known.module(SECRET)).isFalse();
    assertThat(known.step(PADS)).as("its module is hidden").isFalse();
    take(new SeenFact.Saw(ANATOMY));
    assertThat(known.module(SECRET)).isTrue();
    assertThat(known.step(PADS)).isTrue();
  }

  @Test
  void a_module_that_is_withdrawn_is_not_known() {
    begin(only(usual(page(ANATOMY))));
    publish(only(module(BRAKES, false, Step.Gate.USUAL, Optional.empty(), page(ANATOMY))));
    assertThat(known.module(BRAKES)).isFalse();
  }

  @Test
  void a_surprise_is_known_once_it_is_held() {
    Badge surprise =
        new Badge(SURPRISE, "S", "", Optional.empty(), Optional.of(seenAnatomy()), true);
    Badge open = new Badge(BRAKE_HAND, "B", "", Optional.empty(), Optional.empty(), false);
    begin(design(List.of(usual(page(ANATOMY))), List.of(surprise, open)));
    assertThat(known.badge(0)).isFalse();
    assertThat(known.about(new Leaf.HoldsBadge(SURPRISE))).isFalse();
    assertThat(known.badge(1)).isTrue();
    assertThat(known.about(new Leaf.HoldsBadge(BRAKE_HAND))).isTrue();
    assertThat(known.about(new Leaf.HoldsBadge(new BadgeId(99)))).as("nowhere").isFalse();
    take(new SeenFact.Saw(ANATOMY));
    assertThat(known.badge(0)).isTrue();
    assertThat(known.about(new Leaf.HoldsBadge(SURPRISE))).isTrue();
  }

  @Test
  void a_question_is_put_in_words_when_what_it_is_about_is_known_and_signals_never_are() {
    begin(
        only(
            usual(page(ANATOMY), hidden(opens(page(PADS), ask(new Leaf.InGroup(SATURDAY))))),
            module(
                SECRET, true, HIDDEN, Optional.of(ask(new SeenLeaf.Seen(PADS))), page(PRACTICAL))));
    take(new SeenFact.Saw(ANATOMY));
    assertThat(known.about(new Leaf.StepDone(ANATOMY))).isTrue();
    assertThat(known.about(new Leaf.StepDone(PADS))).isFalse();
    assertThat(known.about(new Leaf.ModuleDone(BRAKES))).isTrue();
    assertThat(known.about(new Leaf.ModuleDone(SECRET))).isFalse();
    assertThat(known.about(new Leaf.ModuleCount(BRAKES, 1))).isTrue();
    assertThat(known.about(new Leaf.ModuleCount(SECRET, 1))).isFalse();
    assertThat(known.about(new Leaf.ModuleShare(BRAKES, 0.5))).isTrue();
    assertThat(known.about(new Leaf.ModuleShare(SECRET, 0.5))).isFalse();
    assertThat(known.about(new Leaf.AtMastery(BRAKE))).isTrue();
    assertThat(known.about(new Leaf.InGroup(SATURDAY))).isTrue();
    assertThat(known.about(new Leaf.QuietFor(3))).isFalse();
  }
}
