package yendrik.core.course;

import java.util.List;
import java.util.OptionalDouble;
import yendrik.core.Refusal;

/** What scores amount to. */
public final class Grade {
  private Grade() {}

  /**
   * A step that has been scored.
   *
   * @param points to be had, 0 or more
   * @param share of them that was reached, 0 to 1
   */
  public record Scored(double points, double share) {
    public Scored {
      if (!(points >= 0)) throw new Refusal("points", "points", points);
      if (!(share >= 0 && share <= 1)) throw new Refusal("share", "share", share);
    }
  }

  /**
   * The share of points reached so far: the points of all that is scored, over the points that were
   * to be had there. What is not scored yet counts for nothing and against nobody.
   *
   * @return 0 to 1; empty before anything that has points is scored
   */
  public static OptionalDouble soFar(List<Scored> scored) {
    double of = scored.stream().mapToDouble(Scored::points).sum();
    if (of == 0) return OptionalDouble.empty();
    double reached = scored.stream().mapToDouble(s -> s.points() * s.share()).sum();
    return OptionalDouble.of(Math.min(1, reached / of));
  }
}
