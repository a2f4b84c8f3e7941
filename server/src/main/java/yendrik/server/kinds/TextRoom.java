package yendrik.server.kinds;

import yendrik.core.course.StepKind;
import yendrik.core.record.LearnerRecord;
import yendrik.server.design.AuthorEdit;
import yendrik.server.design.AuthorPart;
import yendrik.server.design.Content;

/**
 * A kind of step that is a text and nothing else.
 *
 * @param <C> what a step of the kind holds
 * @param <P> what designers see of it
 * @param <E> what they send
 */
public abstract class TextRoom<C extends Content, P extends AuthorPart, E extends AuthorEdit>
    extends StepRoom<C, P, E> {
  protected TextRoom(StepKind kind, Class<C> content, Class<P> part, Class<E> edit) {
    super(kind, content, part, edit);
  }

  @Override
  public final String done(LearnerRecord record, int s, String day) {
    return "read " + day;
  }

  @Override
  public final void doStep(DemoLearner by, String step, double ability) {
    by.read(step);
  }
}
