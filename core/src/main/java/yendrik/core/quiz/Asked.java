package yendrik.core.quiz;

import java.util.List;
import java.util.Optional;
import yendrik.core.id.RubricId;

/**
 * What a question asks beyond its text, and how that is marked; each kind of question has its own.
 *
 * @param <A> what is answered to it
 */
public interface Asked<A extends Answer> {
  /** The kind. */
  QuestionKind kind();

  /** The type of what is answered. */
  Class<A> answers();

  /** Whether staff mark what is answered. */
  default boolean byStaff() {
    return false;
  }

  /** What staff assess answers with, if anything. */
  default Optional<RubricId> rubric() {
    return Optional.empty();
  }

  /** Marks an answer. */
  Mark mark(A answer);

  /** What keeps it from being asked; none when it can be. */
  List<Lack> lacks();
}
