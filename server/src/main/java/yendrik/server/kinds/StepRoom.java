package yendrik.server.kinds;

import yendrik.core.course.StepKind;
import yendrik.server.design.AuthorEdit;
import yendrik.server.design.AuthorPart;
import yendrik.server.design.Content;
import yendrik.server.design.StepAuthor;
import yendrik.server.learn.StepLearner;

/**
 * A kind of step on the server: all that has to be said about it, in one place. A kind that also
 * has addresses and tables keeps them beside its room. Rooms do not know each other.
 *
 * @param <C> what a step of the kind holds
 * @param <P> what designers see of it
 * @param <E> what they send
 */
public abstract class StepRoom<C extends Content, P extends AuthorPart, E extends AuthorEdit>
    extends StepAuthor<C, P, E> implements StepLearner, StepDemo {
  protected StepRoom(StepKind kind, Class<C> content, Class<P> part, Class<E> edit) {
    super(kind, content, part, edit);
  }
}
