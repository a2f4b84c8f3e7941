package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yendrik.core.id.PersonId;
import yendrik.core.people.StaffKind;
import yendrik.core.record.Fact;
import yendrik.core.rule.plan.WhatIsLeft;

class WhatIsLeftTest {
  private static final Condition WORD = ask(new Leaf.OwnWord());
  private static final Condition DESIGNER = ask(new Leaf.Approved(StaffKind.DESIGNER));
  private static final Condition SUPPORT = ask(new Leaf.Approved(StaffKind.SUPPORT));

  /** Nobody here is that person, so that it is past hope. */
  private static final Condition SOMEBODY = ask(new Leaf.OneOf(Set.of(new PersonId(999))));

  private static List<Condition> left(Condition completeWhen, Fact.What... facts) {
    return WhatIsLeft.of(Completing.explained(completeWhen, facts)).stream()
        .map(e -> e.condition())
        .toList();
  }

  @Test
  void all_that_is_not_met_is_left_of_all_of() {
    assertThat(left(all(WORD, DESIGNER))).containsExactly(WORD, DESIGNER);
    assertThat(left(all(WORD, DESIGNER), new Fact.OwnWord())).containsExactly(DESIGNER);
    assertThat(left(WORD, new Fact.OwnWord())).isEmpty();
  }

  @Test
  void the_shortest_way_is_left_of_any_of_and_so_many_of_at_least() {
    assertThat(left(any(all(WORD, DESIGNER), SUPPORT))).containsExactly(SUPPORT);
    assertThat(left(atLeast(2, all(WORD, DESIGNER), SUPPORT, SOMEBODY)))
        .containsExactly(SUPPORT, WORD, DESIGNER);
    assertThat(left(atLeast(2, WORD, DESIGNER, SUPPORT), new Fact.OwnWord()))
        .containsExactly(DESIGNER);
  }

  @Test
  void what_is_past_hope_is_left_only_where_there_is_no_other_way() {
    assertThat(left(any(SOMEBODY, all(WORD, DESIGNER)))).containsExactly(WORD, DESIGNER);
    Condition other = ask(new Leaf.OneOf(Set.of(new PersonId(998))));
    assertThat(left(any(SOMEBODY, other))).containsExactly(SOMEBODY);
  }

  @Test
  void what_must_not_be_so_and_days_that_go_by_stand_for_themselves() {
    Condition none = none(WORD);
    assertThat(left(none, new Fact.OwnWord())).containsExactly(none);
    Condition wait = after(3, WORD);
    assertThat(left(wait)).containsExactly(WORD);
    assertThat(left(wait, new Fact.OwnWord())).containsExactly(wait);
  }
}
