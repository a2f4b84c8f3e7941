package yendrik.server.kinds.quiz.question;

/**
 * What chance there is in an attempt: the same for a question whenever it is asked for.
 *
 * @param seed the attempt's own, drawn at random and known to the server only
 * @param mixed whether choices stand in an order of chance
 */
public record Dealt(long seed, boolean mixed) {
  /** The chance of one question. */
  public Chance of(String question) {
    return new Chance(seed * 31 + question.hashCode(), mixed);
  }

  /** The chance of the attempt itself. */
  public Chance ofAll() {
    return new Chance(seed, mixed);
  }
}
