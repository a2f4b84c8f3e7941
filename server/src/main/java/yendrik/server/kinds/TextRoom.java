package yendrik.server.kinds;

import yendrik.core.course.StepKind;
import yendrik.core.record.LearnerRecord;
import yendrik.core.words.Phrase;
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
  public final Phrase done(LearnerRecord record, int s, Phrase.Day day) {
    return Phrase.of("note.done.read", "day", day);
  }

  @Override
  public final void doStep(DemoLearner by, String step, double ability) {
    by.read(step);
  }
}
