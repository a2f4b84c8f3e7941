package yendrik.core.quiz.kinds.match;

import java.util.Map;
import yendrik.core.quiz.Answer;

/**
 * What was put together.
 *
 * @param pairs the words that were chosen, by the id of the pair whose beginning they were put to
 */
public record Matched(Map<String, String> pairs) implements Answer {
  public Matched {
    pairs = Map.copyOf(pairs);
  }
}
