package yendrik.server.design;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.RubricId;
import yendrik.core.id.StepId;
import yendrik.core.words.Phrase;
import yendrik.server.http.Problem;

/**
 * A kind of step for those who design: its content, what they see and send of it, and what is wrong
 * with it.
 *
 * @param <C> what a step of the kind holds
 * @param <P> what designers see of it
 * @param <E> what they send
 */
public abstract class StepAuthor<C extends Content, P extends AuthorPart, E extends AuthorEdit> {
  private final StepKind kind;
  private final Class<C> content;
  private final Class<P> part;
  private final Class<E> edit;

  protected StepAuthor(StepKind kind, Class<C> content, Class<P> part, Class<E> edit) {
    this.kind = kind;
    this.content = content;
    this.part = part;
    this.edit = edit;
  }

  /**
   * Where a step is edited.
   *
   * @param tied the outcomes that the step gives evidence of, as sent
   * @param rubrics the rubrics of the course
   */
  public record Place(CourseId course, Set<OutcomeId> tied, Set<RubricId> rubrics) {
    /**
     * A rubric of this course.
     *
     * @throws Problem if there is none of that id
     */
    public Optional<RubricId> rubric(Optional<RubricId> sent) {
      if (sent.isPresent() && !rubrics.contains(sent.get()))
        throw Problem.field("rubric", "no-such-rubric");
      return sent;
    }
  }

  /** What a new step holds. */
  protected abstract C fresh();

  /**
   * Brings what is kept of a step in an older form into the present one while it is read; what is
   * kept itself is never rewritten for that.
   */
  protected ObjectNode now(ObjectNode kept) {
    return kept;
  }

  /**
   * Steps of this kind with what they take from elsewhere in their course, as it is now. Learners
   * get that, and designers see it; what is kept of a draft may be older.
   */
  protected Map<StepId, C> whole(CourseId course, Map<StepId, C> contents) {
    return contents;
  }

  /** What designers see of a step. */
  protected abstract P part(C content);

  /** A step as a designer would send it to leave it as it is. */
  protected abstract E edit(C content);

  /**
   * Checks what a designer sent.
   *
   * @param body safe HTML
   * @throws Problem naming the field that is not right
   */
  protected abstract C checked(Place place, String body, E edit);

  /** The same in another course, with what it speaks of there. */
  protected abstract C carried(C content, Carrying to);

  /** What keeps a step from being put before learners, in words. */
  protected List<Phrase> faults(String name, C content) {
    return List.of();
  }

  /** The points to be had, where the content says them rather than the designer. */
  protected double points(C content, double sent) {
    return sent;
  }

  public final StepKind kind() {
    return kind;
  }

  public final Class<C> content() {
    return content;
  }

  public final Class<P> part() {
    return part;
  }

  public final Class<E> edit() {
    return edit;
  }
}
