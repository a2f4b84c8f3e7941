package yendrik.formats.qti;

import java.util.List;
import java.util.Optional;
import yendrik.core.quiz.Difficulty;
import yendrik.core.quiz.Question;

/**
 * A question with what a package says about it.
 *
 * @param question pictures in it are named by numbers in {@code data-file}
 * @param tags what it is about
 */
public record QtiQuestion(Question question, List<String> tags, Optional<Difficulty> difficulty) {
  public QtiQuestion {
    tags = List.copyOf(tags);
  }
}
