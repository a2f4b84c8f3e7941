package yendrik.server.kinds.quiz.question;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yendrik.core.quiz.Difficulty;
import yendrik.server.design.Carrying;

/**
 * A draw as it is kept in the content of a step.
 *
 * @param tags all of which a question must have
 * @param difficulty which it must have, if any
 * @param pool what can be drawn; a draft is without, until it is made whole
 */
public record KeptDraw(
    String id,
    List<String> tags,
    Optional<Difficulty> difficulty,
    int count,
    double points,
    List<KeptQuestion> pool) {
  public KeptDraw {
    tags = List.copyOf(tags);
    pool = List.copyOf(pool);
  }

  /** Whether it draws from questions with these. */
  public boolean takes(List<String> theirs, Optional<Difficulty> their) {
    return theirs.containsAll(tags) && (difficulty.isEmpty() || difficulty.equals(their));
  }

  /** The same with what can be drawn now. */
  public KeptDraw from(List<KeptQuestion> questions) {
    return new KeptDraw(id, tags, difficulty, count, points, questions);
  }

  /** The files that its questions show. */
  public Set<Long> files() {
    Set<Long> files = new HashSet<>();
    pool.forEach(question -> files.addAll(question.files()));
    return files;
  }

  /** The same in another course, to which its pool goes along. */
  public KeptDraw carried(Carrying to) {
    pool.forEach(question -> question.bank().ifPresent(to::question));
    return from(List.of());
  }
}
