package yendrik.core.quiz.taking;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/**
 * How long each question of an attempt took, as far as it can be told from when its answers came:
 * what lies between an answer and what came before it (the beginning, another answer, a page that
 * was turned) was spent on the question that was answered.
 *
 * @param seconds by the question's id, each 0 or more; none for a question that was left alone
 * @param upto until when time has been counted
 */
public record Spent(Map<String, Long> seconds, Instant upto) {
  /** A longer pause is not counted: whoever makes one is elsewhere. */
  public static final Duration LONGEST = Duration.ofMinutes(15);

  public Spent {
    seconds = Map.copyOf(seconds);
  }

  /** An attempt that begins now. */
  public static Spent from(Instant begun) {
    return new Spent(Map.of(), begun);
  }

  /**
   * Something came in.
   *
   * @param on the questions whose answers it changes; they share the time since, to the second.
   *     With none of them the time goes on to be that of the next answer
   * @param now what lies before what has been counted already counts as no time
   */
  public Spent came(Set<String> on, Instant now) {
    if (on.isEmpty()) return this;
    Duration since = Duration.between(upto, now);
    boolean counts = !since.isNegative() && since.compareTo(LONGEST) <= 0;
    long each = counts ? since.dividedBy(on.size()).toSeconds() : 0;
    Map<String, Long> all = new HashMap<>(seconds);
    for (String question : on) all.merge(question, each, Long::sum);
    return new Spent(all, since.isNegative() ? upto : now);
  }
}
