package yendrik.server.kinds.quiz.question;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.Answer;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.words.Phrase;
import yendrik.server.http.Problem;

/**
 * A kind of question on the server: how it is kept, what its author writes and what its learner
 * sees and answers. How it is marked is core's. Rooms do not know each other.
 *
 * @param <Q> what is asked
 * @param <A> what is answered
 * @param <W> what its author writes
 * @param <P> what its learner is asked
 * @param <G> what its learner answers
 */
public abstract class QuestionRoom<
    Q extends Asked<A>,
    A extends Answer,
    W extends WrittenPart,
    P extends AskedPart,
    G extends GivenAnswer> {
  private final QuestionKind kind;
  private final Class<Q> asked;
  private final Class<A> answer;
  private final Class<W> written;
  private final Class<P> part;
  private final Class<G> given;

  protected QuestionRoom(
      QuestionKind kind,
      Class<Q> asked,
      Class<A> answer,
      Class<W> written,
      Class<P> part,
      Class<G> given) {
    this.kind = kind;
    this.asked = asked;
    this.answer = answer;
    this.written = written;
    this.part = part;
    this.given = given;
  }

  /** What is asked, as it is kept. */
  protected abstract ObjectNode keep(Q question);

  /** Reads what is kept. */
  protected abstract Q question(ObjectNode kept);

  /** An answer, as it is kept. */
  protected abstract ObjectNode keep(A given);

  /** Reads what is kept of an answer. */
  protected abstract A answer(ObjectNode kept);

  /** What the author wrote. */
  protected abstract W written(Q question);

  /**
   * What an author sent.
   *
   * @throws Problem naming what is not right
   */
  protected abstract Q question(W sent);

  /**
   * What a learner is asked.
   *
   * @param chance the same whenever this question of this attempt is asked for
   */
  protected abstract P ask(Q question, Chance chance);

  /** What a learner answered; none when it is not among what was asked. */
  protected abstract Optional<A> answer(Q question, Chance chance, G sent);

  /** An answer as the learner gave it; none when the question has it no longer. */
  protected abstract Optional<G> given(Q question, Chance chance, A given);

  /**
   * What was answered, in words.
   *
   * @param telling what may be said of it
   */
  protected abstract ReviewedPart review(Q question, Optional<A> given, Telling telling);

  /** What was answered, piece by piece, in few words, so that answers can be counted. */
  protected abstract List<Phrase> said(Q question, A given);

  /** What somebody of the demo answers. */
  protected abstract G rehearsed(Q question, P part, boolean right);

  /** What the thing at a place is called in an attempt: it says nothing of how it was written. */
  protected static String place(int n) {
    return Integer.toString(n + 1);
  }

  /**
   * @throws Problem if two of these ids are the same
   */
  protected static void different(Stream<String> ids) {
    Set<String> seen = new HashSet<>();
    if (!ids.allMatch(seen::add)) throw Problem.field("questions", "question-part-id-twice");
  }

  /** The type of what is reviewed. */
  public abstract Class<? extends ReviewedPart> reviewed();

  public final QuestionKind kind() {
    return kind;
  }

  public final Class<Q> asked() {
    return asked;
  }

  public final Class<A> answer() {
    return answer;
  }

  public final Class<W> written() {
    return written;
  }

  public final Class<P> part() {
    return part;
  }

  public final Class<G> given() {
    return given;
  }
}
