package yendrik.core.quiz.kinds.statement;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import yendrik.core.quiz.Mark;

class StatementTest {
  @Test
  void who_says_what_it_is_gets_all_and_who_says_the_other_nothing() {
    for (boolean isTrue : new boolean[] {true, false}) {
      var statement = new Statement(isTrue);
      assertThat(statement.mark(new Said(isTrue))).isEqualTo(Mark.WHOLE);
      assertThat(statement.mark(new Said(!isTrue))).isEqualTo(Mark.NOTHING);
      assertThat(statement.lacks()).isEmpty();
    }
  }
}
