package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.util.Set;
import org.junit.jupiter.api.Test;
import yendrik.core.people.StaffKind;
import yendrik.core.record.Fact;
import yendrik.core.rule.plan.ApprovalsWanted;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.seen.SeenLeaf;

class ApprovalsWantedTest {
  private static final Condition DESIGNER = ask(new Leaf.Approved(StaffKind.DESIGNER));
  private static final Condition FACILITATOR = ask(new Leaf.Approved(StaffKind.FACILITATOR));
  private static final Condition READ = ask(new SeenLeaf.Seen(ANATOMY));

  private static Set<StaffKind> wanted(Condition completeWhen, Fact.What... facts) {
    return ApprovalsWanted.of(Completing.explained(completeWhen, facts));
  }

  @Test
  void nobody_is_asked_while_the_learner_has_something_left_to_do() {
    Condition rule = all(READ, FACILITATOR);
    assertThat(wanted(rule)).isEmpty();
    assertThat(wanted(rule, new SeenFact.Saw(ANATOMY))).containsExactly(StaffKind.FACILITATOR);
  }

  @Test
  void all_kinds_are_asked_who_can_bring_it_about_and_those_who_have_are_not() {
    assertThat(wanted(any(DESIGNER, FACILITATOR)))
        .containsExactly(StaffKind.DESIGNER, StaffKind.FACILITATOR);
    assertThat(wanted(all(DESIGNER, FACILITATOR), new Fact.Approved(StaffKind.DESIGNER, "")))
        .containsExactly(StaffKind.FACILITATOR);
    assertThat(wanted(any(DESIGNER, FACILITATOR), new Fact.Approved(StaffKind.DESIGNER, "")))
        .isEmpty();
  }

  @Test
  void an_approval_beside_something_missing_is_not_asked_for() {
    assertThat(wanted(any(all(READ, DESIGNER), FACILITATOR)))
        .containsExactly(StaffKind.FACILITATOR);
  }
}
