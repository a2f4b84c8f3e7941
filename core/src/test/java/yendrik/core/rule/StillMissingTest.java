package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import org.junit.jupiter.api.Test;
import yendrik.core.people.StaffKind;
import yendrik.core.record.Fact;
import yendrik.core.rule.plan.StillMissing;

class StillMissingTest {
  private static final Condition WORD = ask(new Leaf.OwnWord());
  private static final Condition DESIGNER = ask(new Leaf.Approved(StaffKind.DESIGNER));
  private static final Condition SUPPORT = ask(new Leaf.Approved(StaffKind.SUPPORT));

  private static int missing(Condition completeWhen, Fact.What... facts) {
    return StillMissing.of(
        Completing.explained(completeWhen, facts), leaf -> leaf instanceof Leaf.OwnWord ? 3 : 1);
  }

  @Test
  void all_that_is_not_met_is_missing_of_all_of() {
    assertThat(missing(all(WORD, DESIGNER))).isEqualTo(4);
    assertThat(missing(all(WORD, DESIGNER), new Fact.OwnWord())).isEqualTo(1);
    assertThat(missing(WORD, new Fact.OwnWord())).isZero();
  }

  @Test
  void only_what_is_nearest_is_missing_of_any_of_and_of_at_least() {
    assertThat(missing(any(WORD, DESIGNER))).isEqualTo(1);
    assertThat(missing(any(WORD, all(DESIGNER, SUPPORT)))).isEqualTo(2);
    assertThat(missing(atLeast(2, WORD, DESIGNER, SUPPORT))).isEqualTo(2);
    assertThat(
            missing(atLeast(2, WORD, DESIGNER, SUPPORT), new Fact.Approved(StaffKind.SUPPORT, "")))
        .isEqualTo(1);
  }

  @Test
  void one_thing_is_missing_while_something_is_so_that_must_not_be() {
    assertThat(missing(none(WORD, DESIGNER), new Fact.OwnWord())).isEqualTo(1);
    assertThat(missing(none(WORD, DESIGNER))).isZero();
  }
}
