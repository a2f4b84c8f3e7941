package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import yendrik.core.check.Mend;
import yendrik.core.course.CourseDesign;
import yendrik.core.rule.check.RuleChange;
import yendrik.core.rule.check.Rules;

class RuleChangeTest {
  private static final RuleAt OPENS = new RuleAt.StepOpens(PRACTICAL);
  private final CourseDesign design = design();

  private CourseDesign with(RuleAt at, Optional<Condition> rule) {
    Condition part = new Condition.Ask(new NodeId("part"), new Leaf.HasLeft());
    return new Mend.Rule(at, Mend.How.NONE, part, rule).in(design);
  }

  @Test
  void none_is_between_a_design_and_itself() {
    assertThat(RuleChange.between(design, design)).isEmpty();
  }

  @Test
  void a_rule_that_comes_and_one_that_goes_have_only_one_side() {
    Condition rule = new Condition.Ask(new NodeId("new"), new Leaf.StepDone(PRACTICAL));
    CourseDesign more = with(new RuleAt.CourseComplete(), Optional.of(rule));
    CourseDesign none = with(new RuleAt.CourseComplete(), Optional.empty());
    assertThat(RuleChange.between(none, more))
        .containsExactly(
            new RuleChange(new RuleAt.CourseComplete(), Optional.empty(), Optional.of(rule)));
    assertThat(RuleChange.between(more, none))
        .containsExactly(
            new RuleChange(new RuleAt.CourseComplete(), Optional.of(rule), Optional.empty()));
  }

  @Test
  void parts_that_are_only_numbered_otherwise_are_no_change_and_another_number_is_one() {
    Condition done = new Condition.Ask(new NodeId("a"), new Leaf.StepDone(PRACTICAL));
    Condition again = new Condition.Ask(new NodeId("b"), new Leaf.StepDone(PRACTICAL));
    assertThat(RuleChange.same(Optional.of(done), Optional.of(again))).isTrue();
    Condition three = new Condition.After(new NodeId("c"), 3, done);
    assertThat(
            RuleChange.same(
                Optional.of(three), Optional.of(new Condition.After(new NodeId("d"), 3, again))))
        .isTrue();
    assertThat(
            RuleChange.same(
                Optional.of(three), Optional.of(new Condition.After(new NodeId("d"), 4, again))))
        .isFalse();
    Condition all = new Condition.All(new NodeId("e"), List.of(done, three));
    Condition any = new Condition.Any(new NodeId("e"), List.of(done, three));
    assertThat(RuleChange.same(Optional.of(all), Optional.of(any))).isFalse();
  }

  @Property(tries = 50)
  void what_is_put_back_to_what_was_before_is_no_change_any_more(@ForAll boolean opens) {
    RuleAt at = opens ? OPENS : new RuleAt.CourseComplete();
    Optional<Condition> was = Optional.ofNullable(Rules.of(design).get(at));
    Condition rule = new Condition.Ask(new NodeId("new"), new Leaf.EnrolledFor(4));
    CourseDesign changed = with(at, Optional.of(rule));
    RuleChange change = RuleChange.between(design, changed).getFirst();
    assertThat(change.before()).isEqualTo(was);
    CourseDesign back = new Mend.Rule(at, Mend.How.NONE, rule, change.before()).in(changed);
    assertThat(RuleChange.between(design, back)).isEmpty();
  }
}
