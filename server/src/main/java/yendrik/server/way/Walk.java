package yendrik.server.way;

import java.util.List;
import java.util.Optional;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.words.Writing;
import yendrik.server.design.Content;
import yendrik.server.design.Designs;
import yendrik.server.design.RubricForms;

/**
 * One learner's way through a course, as of now.
 *
 * @param way as which it is read
 * @param known the facts, read when they are asked for
 * @param ready the design that the learner has
 * @param writing how sentences and dates are written to whoever looks at this way now
 */
public record Walk(
    Way way,
    CourseId course,
    PersonId person,
    boolean practice,
    Progress progress,
    KnownFacts known,
    Designs.Ready ready,
    Writing writing) {

  public EnrolmentId enrolment() {
    return way.enrolment();
  }

  /** Whether somebody on the staff looks through the learner's eyes. */
  public boolean watched() {
    return way.watched();
  }

  /** Whether whoever is on this way can do something at a step that is open. */
  public boolean usable(int s) {
    return !watched() && progress.sight().usable(s);
  }

  /** All facts, corrections included. */
  public List<Fact> facts() {
    return known.all();
  }

  /** The course by numbers, as this learner has it. */
  public CourseIndex index() {
    return progress.course().index();
  }

  /** A step by its number. */
  public Step step(int s) {
    return index().step(s);
  }

  /** What is in a step of a kind. */
  public <C extends Content> C content(int s, Class<C> type) {
    return ready.document().content(step(s).id(), type);
  }

  /** What the work at a step is assessed with. */
  public Optional<RubricForms.Sheet> rubric(int s) {
    return ready.document().rubric(step(s).id()).map(r -> RubricForms.sheet(r, index().design()));
  }
}
