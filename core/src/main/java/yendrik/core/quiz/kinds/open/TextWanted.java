package yendrik.core.quiz.kinds.open;

import java.util.List;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;

/**
 * A text of one's own. Staff mark it: until they have it gives nothing, and what else the attempt
 * has gives its points already. With an open text of 4 points beside 6 points that are right, an
 * attempt has 6 of 10 and waits; once staff give 3, it has 9.
 *
 * @param expected what a good answer says, for those who mark it; may be empty
 * @param rubric what it is assessed with, if anything: its points, as a share of all that it has,
 *     are then that share of the question's
 */
public record TextWanted(String expected, Optional<RubricId> rubric) implements Asked<Told> {
  /** A text that is marked with points alone. */
  public TextWanted(String expected) {
    this(expected, Optional.empty());
  }

  @Override
  public QuestionKind kind() {
    return QuestionKind.OPEN;
  }

  @Override
  public Class<Told> answers() {
    return Told.class;
  }

  @Override
  public boolean byStaff() {
    return true;
  }

  @Override
  public Mark mark(Told answer) {
    return new Mark.ForStaff();
  }

  @Override
  public List<Lack> lacks() {
    return List.of();
  }
}
