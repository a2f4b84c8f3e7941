package yendrik.server.kinds.quiz.question;

import java.util.Random;

/**
 * What chance there is in an attempt: the same for a question whenever it is asked for.
 *
 * @param seed the attempt's own, drawn at random and known to the server only
 */
public record Dealt(long seed) {
  /** The chance of one question. */
  public Random of(String question) {
    return new Random(seed * 31 + question.hashCode());
  }
}
