package yendrik.server.kinds.quiz;

import java.util.List;
import yendrik.server.design.Content;
import yendrik.server.kinds.quiz.question.KeptQuestion;

/** What is kept of a quiz. */
public record QuizContent(String body, List<KeptQuestion> questions) implements Content {
  public QuizContent {
    questions = List.copyOf(questions);
  }
}
