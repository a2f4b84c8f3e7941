package yendrik.core.progress;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import yendrik.core.id.PersonId;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.rule.plan.CompiledCourse;

/** Works a learner's state out anew from the facts and the designs that were in force. */
public final class Replay {
  private Replay() {}

  /** A design and the moment from which it was in force. */
  public record InForce(CompiledCourse course, Instant from) {}

  /**
   * @param designs by time, the first in force before the first fact or at it
   * @param facts all facts, in any order
   * @param until the moment to stop at
   */
  public static Progress run(
      List<InForce> designs, PersonId person, List<Fact> facts, Instant until) {
    List<Fact> standing = Facts.standing(facts);
    Instant begin = standing.isEmpty() ? until : standing.getFirst().at();
    int design = 0;
    while (design + 1 < designs.size() && !designs.get(design + 1).from().isAfter(begin)) design++;
    Progress progress = Progress.begin(designs.get(design).course(), person, begin);
    List<Fact> taken = new ArrayList<>();
    for (Fact fact : standing) {
      if (fact.at().isAfter(until)) break;
      while (design + 1 < designs.size() && !designs.get(design + 1).from().isAfter(fact.at())) {
        design++;
        InForce next = designs.get(design);
        progress = progress.under(next.course(), taken, next.from());
      }
      progress.take(fact);
      taken.add(fact);
    }
    while (design + 1 < designs.size() && !designs.get(design + 1).from().isAfter(until)) {
      design++;
      InForce next = designs.get(design);
      progress = progress.under(next.course(), taken, next.from());
    }
    progress.advance(until);
    return progress;
  }
}
