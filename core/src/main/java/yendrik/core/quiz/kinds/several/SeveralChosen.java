package yendrik.core.quiz.kinds.several;

import java.util.Set;
import yendrik.core.quiz.Answer;

/**
 * The choices that were made.
 *
 * @param choices their ids
 */
public record SeveralChosen(Set<String> choices) implements Answer {
  public SeveralChosen {
    choices = Set.copyOf(choices);
  }
}
