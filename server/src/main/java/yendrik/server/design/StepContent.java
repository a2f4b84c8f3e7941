package yendrik.server.design;

import java.util.List;
import yendrik.core.quiz.Quiz;

/**
 * What is in a step.
 *
 * @param body formatted text: the page, or what is asked for; safe HTML
 * @param questions of a quiz, none otherwise
 */
public record StepContent(String body, List<Quiz.Question> questions) {
  public static final StepContent EMPTY = new StepContent("", List.of());

  public Quiz quiz() {
    return new Quiz(questions);
  }
}
