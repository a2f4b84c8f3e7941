package yendrik.server.way;

import java.util.List;
import yendrik.core.id.CourseId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.words.Dates;
import yendrik.server.design.Designs;

/**
 * One learner's way through a course, as of now.
 *
 * @param known the facts, read when they are asked for
 * @param ready the design that the learner has
 */
public record Walk(
    long enrolment,
    CourseId course,
    long person,
    boolean practice,
    Progress progress,
    KnownFacts known,
    Designs.Ready ready) {

  /** All facts, corrections included. */
  public List<Fact> facts() {
    return known.all();
  }

  /** How dates are written to whoever looks at this way now. */
  public Dates dates() {
    return Explaining.dates(progress);
  }
}
