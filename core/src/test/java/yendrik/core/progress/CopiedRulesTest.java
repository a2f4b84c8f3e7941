package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.copy.CopiedRule;
import yendrik.core.rule.copy.NewNames;

/** Rules of random courses are taken over into another course, and back. */
class CopiedRulesTest {
  private static final CourseId THERE = new CourseId(77);
  private static final long FAR = 1000;

  @Provide
  Arbitrary<RandomWorld> worlds() {
    return RandomWorld.anyWorld();
  }

  private static Stream<Condition> rules(CourseDesign design) {
    return Stream.of(
            design.modules().stream().flatMap(m -> m.opensWhen().stream()),
            design.modules().stream().flatMap(m -> m.doneWhen().stream()),
            design.steps().flatMap(s -> s.opensWhen().stream()),
            design.steps().map(Step::doneWhen),
            design.badges().stream().flatMap(b -> b.earnedWhen().stream()),
            design.flags().stream().map(f -> f.flagWhen()),
            design.completeWhen().stream())
        .flatMap(s -> s);
  }

  private static List<Leaf> asked(Optional<Condition> rule) {
    return rule.stream()
        .flatMap(Condition::nodes)
        .flatMap(n -> n instanceof Condition.Ask(var _, var leaf) ? Stream.of(leaf) : Stream.of())
        .toList();
  }

  /** Everything of the course has come along, with other ids. */
  private static NewNames complete(CourseDesign design, CourseId from, CourseId to, long by) {
    var names = new NewNames(from, to, date -> date);
    long was = by > 0 ? 0 : FAR;
    for (CourseModule m : design.modules())
      names.put(new ModuleId(m.id().value() + was), new ModuleId(m.id().value() + was + by));
    for (long n = 1; n <= 20; n++) {
      names.put(new StepId(n + was), new StepId(n + was + by));
      names.put(new BadgeId(n + was), new BadgeId(n + was + by));
    }
    for (Outcome o : design.outcomes()) names.put(o.id(), o);
    return names;
  }

  @Property(tries = 300)
  void what_came_along_whole_and_back_again_asks_what_it_asked_but_for_groups_and_sessions(
      @ForAll("worlds") RandomWorld world) {
    CourseDesign design = world.designs().getFirst();
    NewNames there = complete(design, design.id(), THERE, FAR);
    NewNames back = complete(design, THERE, design.id(), -FAR);
    rules(design)
        .forEach(rule -> {
          CopiedRule copied = CopiedRule.of(rule, there);
          assertThat(copied.left())
              .hasOnlyElementsOfTypes(
                  Leaf.InGroup.class, Leaf.OneOf.class, Leaf.SessionAttended.class);
          Optional<Condition> again = copied.rule().flatMap(r -> CopiedRule.of(r, back).rule());
          assertThat(again).isEqualTo(copied.left().isEmpty() ? Optional.of(rule) : again);
          assertThat(asked(again))
              .containsExactlyElementsOf(
                  asked(Optional.of(rule)).stream()
                      .filter(l -> !copied.left().contains(l))
                      .toList());
        });
  }

  @Property(tries = 300)
  void where_nothing_came_along_only_questions_about_no_thing_of_the_course_are_left(
      @ForAll("worlds") RandomWorld world) {
    CourseDesign design = world.designs().getFirst();
    var none = new NewNames(design.id(), THERE, date -> date);
    rules(design)
        .forEach(rule -> {
          CopiedRule copied = CopiedRule.of(rule, none);
          assertThat(asked(copied.rule()))
              .noneMatch(l -> l instanceof Leaf.OfStep || l instanceof Leaf.OfOutcome)
              .hasSize(asked(Optional.of(rule)).size() - copied.left().size());
          copied.rule().stream()
              .flatMap(Condition::nodes)
              .forEach(n -> {
                if (n instanceof Condition.AtLeast some)
                  assertThat(some.n()).isBetween(1, some.parts().size());
              });
        });
  }
}
