package yendrik.core.quiz.kinds.order;

import java.util.List;
import yendrik.core.quiz.Answer;

/**
 * An order in which things were put.
 *
 * @param things their ids
 */
public record Ordered(List<String> things) implements Answer {
  public Ordered {
    things = List.copyOf(things);
  }
}
