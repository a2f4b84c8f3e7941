package yendrik.core.quiz.kinds.gaps;

import java.util.List;
import yendrik.core.quiz.Answer;

/**
 * What was typed into each gap, in their order.
 *
 * @param words empty where nothing was
 */
public record Filled(List<String> words) implements Answer {
  public Filled {
    words = List.copyOf(words);
  }
}
