package yendrik.core.quiz.kinds.statement;

import java.util.List;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;

/**
 * A statement, which is the question's text, and whether it is true. Who says so gets all, who says
 * the other gets nothing.
 */
public record Statement(boolean isTrue) implements Asked<Said> {
  @Override
  public QuestionKind kind() {
    return QuestionKind.TRUE_FALSE;
  }

  @Override
  public Class<Said> answers() {
    return Said.class;
  }

  @Override
  public Mark mark(Said answer) {
    return answer.itIsTrue() == isTrue ? Mark.WHOLE : Mark.NOTHING;
  }

  @Override
  public List<Lack> lacks() {
    return List.of();
  }
}
