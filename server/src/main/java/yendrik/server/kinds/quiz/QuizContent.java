package yendrik.server.kinds.quiz;

import java.util.List;
import java.util.Optional;
import yendrik.core.quiz.taking.Taking;
import yendrik.server.design.Content;
import yendrik.server.kinds.quiz.question.KeptQuestion;

/**
 * What is kept of a quiz.
 *
 * @param taken how it is taken, where that was ever said
 */
public record QuizContent(String body, List<KeptQuestion> questions, Optional<Taking> taken)
    implements Content {
  public QuizContent {
    questions = List.copyOf(questions);
  }

  Taking taking() {
    return taken.orElse(Taking.USUAL);
  }
}
