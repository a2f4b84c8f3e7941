package yendrik.server.kinds.quiz.question;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/**
 * The chance of one question in one attempt.
 *
 * @param seed the same whenever this question of this attempt is asked for
 * @param mixed whether choices stand in an order of chance
 */
public record Chance(long seed, boolean mixed) {
  /** Choices as they stand in the attempt. */
  public <T> List<T> deal(List<T> things) {
    return mixed ? mix(things) : things;
  }

  /** Things in an order of chance, whatever is said of choices. */
  public <T> List<T> mix(List<T> things) {
    List<T> mixed = new ArrayList<>(things);
    Collections.shuffle(mixed, new Random(seed));
    return mixed;
  }
}
