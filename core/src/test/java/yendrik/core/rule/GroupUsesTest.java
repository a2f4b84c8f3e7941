package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.SATURDAY;
import static yendrik.core.Workshop.all;
import static yendrik.core.Workshop.allowing;
import static yendrik.core.Workshop.ask;
import static yendrik.core.Workshop.design;
import static yendrik.core.Workshop.none;
import static yendrik.core.Workshop.onlyFor;
import static yendrik.core.Workshop.opens;
import static yendrik.core.Workshop.steps;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.course.Step;
import yendrik.core.id.GroupId;
import yendrik.core.rule.check.GroupUses;

class GroupUsesTest {
  private static final GroupId LATE = new GroupId(7);

  @Test
  void a_group_that_nothing_speaks_of_is_used_nowhere() {
    assertThat(GroupUses.of(design(), LATE))
        .isEqualTo(new GroupUses(List.of(), List.of(), List.of()));
  }

  @Test
  void steps_that_are_given_to_it_and_rules_that_ask_for_it_however_deep_are_found() {
    List<Step> steps = new ArrayList<>(steps());
    steps.set(1, onlyFor(steps.get(1), LATE));
    steps.set(2, opens(steps.get(2), all(none(ask(new Leaf.InGroup(LATE))))));
    steps.set(3, opens(steps.get(3), ask(new Leaf.InGroup(SATURDAY))));
    steps.set(4, allowing(steps.get(4), new Step.Allowance(LATE, 5, 0, Optional.empty())));
    GroupUses found = GroupUses.of(design(steps), LATE);
    assertThat(found.allowing()).containsExactly(steps.get(4));
    assertThat(found.steps()).containsExactly(steps.get(1));
    assertThat(found.rules()).containsExactly(new RuleAt.StepOpens(steps.get(2).id()));
  }
}
