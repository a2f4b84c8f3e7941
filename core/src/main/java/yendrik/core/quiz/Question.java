package yendrik.core.quiz;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.id.OutcomeId;
import yendrik.core.words.Phrase;

/**
 * A question of a quiz: what all kinds have, and the part of its kind.
 *
 * @param id unique in the quiz
 * @param points greater than 0 and at most {@link #MOST_POINTS}
 * @param feedback said after the attempt, may be empty
 * @param outcome which outcome the question carries, of those that its step gives evidence of
 */
public record Question(
    String id,
    String text,
    double points,
    String feedback,
    Optional<OutcomeId> outcome,
    Asked<?> asked) {
  /** The most that one question can be worth. */
  public static final double MOST_POINTS = 10_000;

  /** What a question of any kind may lack. */
  public enum Lacks implements Lack {
    TEXT,
    POINTS;

    @Override
    public Phrase words() {
      return Phrase.of("lack." + name());
    }
  }

  /** Marks an answer; none, or one of another kind, gives nothing. */
  public Mark mark(Optional<Answer> answer) {
    return mark(asked, answer);
  }

  private static <A extends Answer> Mark mark(Asked<A> asked, Optional<Answer> answer) {
    return answer
        .filter(asked.answers()::isInstance)
        .map(asked.answers()::cast)
        .map(asked::mark)
        .orElse(Mark.NOTHING);
  }

  /** The same question, carrying an outcome or none. */
  public Question carrying(Optional<OutcomeId> carried) {
    return new Question(id, text, points, feedback, carried, asked);
  }

  /** What keeps it from being asked; none when it can be. */
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    if (text.isBlank()) all.add(Lacks.TEXT);
    all.addAll(asked.lacks());
    if (!(points > 0 && points <= MOST_POINTS)) all.add(Lacks.POINTS);
    return all;
  }
}
