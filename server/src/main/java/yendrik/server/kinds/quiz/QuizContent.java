package yendrik.server.kinds.quiz;

import java.util.List;
import yendrik.core.quiz.Quiz;
import yendrik.server.design.Content;

/** What is kept of a quiz. */
public record QuizContent(String body, List<Quiz.Question> questions) implements Content {
  public QuizContent {
    questions = List.copyOf(questions);
  }

  Quiz quiz() {
    return new Quiz(questions);
  }
}
