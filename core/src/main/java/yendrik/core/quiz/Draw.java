package yendrik.core.quiz;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.Refusal;
import yendrik.core.words.Phrase;

/**
 * Questions that are drawn at random for each attempt.
 *
 * @param id unique in the quiz
 * @param count how many are drawn, 1 or more
 * @param points of each of them, greater than 0 and at most {@link Question#MOST_POINTS}
 * @param pool from which; what stands in the quiz already is not drawn
 */
public record Draw(String id, int count, double points, List<Question> pool) {
  /** The most that one draw takes. */
  public static final int MOST = 100;

  /**
   * @throws Refusal if the count is outside its range
   */
  public Draw {
    if (count < 1 || count > MOST) throw new Refusal("draw-count", "n", count);
    pool = List.copyOf(pool);
  }

  /** What a draw may lack. */
  public enum Lacks implements Lack {
    POOL,
    ENOUGH,
    POINTS;

    @Override
    public Phrase words() {
      return Phrase.of("lack.draw." + name());
    }
  }

  /** All that can be drawn, worth what the draw says. */
  List<Question> worth() {
    return pool.stream().map(question -> question.worth(points)).toList();
  }

  /**
   * What keeps it from being drawn; none when it can be.
   *
   * @param left how many of the pool are left to it
   */
  List<Lack> lacks(int left) {
    List<Lack> all = new ArrayList<>();
    if (left == 0) all.add(Lacks.POOL);
    else if (left < count) all.add(Lacks.ENOUGH);
    if (!(points > 0 && points <= Question.MOST_POINTS)) all.add(Lacks.POINTS);
    return all;
  }
}
