package yendrik.server.design;

import java.util.List;
import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.core.quiz.Quiz;

/**
 * What is in a step.
 *
 * @param body formatted text: the page, or what is asked for; safe HTML
 * @param questions of a quiz, none otherwise
 * @param film of a video, once there is one
 * @param rubric what the work is assessed with, if anything
 */
public record StepContent(
    String body, List<Quiz.Question> questions, Optional<Film> film, Optional<RubricId> rubric) {
  public static final StepContent EMPTY =
      new StepContent("", List.of(), Optional.empty(), Optional.empty());

  public Quiz quiz() {
    return new Quiz(questions);
  }
}
