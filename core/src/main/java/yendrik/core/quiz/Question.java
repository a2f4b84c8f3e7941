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
 * @param shown what is asked
 * @param points greater than 0 and at most {@link #MOST_POINTS}
 * @param feedback said after the attempt, may be empty
 * @param hints in the order in which they are given to who asks for help
 * @param outcome which outcome the question carries, of those that its step gives evidence of
 */
public record Question(
    String id,
    Shown shown,
    double points,
    String feedback,
    List<Hint> hints,
    Optional<OutcomeId> outcome,
    Asked<?> asked) {
  /** The most that one question can be worth. */
  public static final double MOST_POINTS = 10_000;

  /** What a question of any kind may lack. */
  public enum Lacks implements Lack {
    TEXT,
    POINTS,
    HINT;

    @Override
    public Phrase words() {
      return Phrase.of("lack." + name());
    }
  }

  public Question {
    hints = List.copyOf(hints);
  }

  /** In plain words, and without help. */
  public Question(
      String id,
      String text,
      double points,
      String feedback,
      Optional<OutcomeId> outcome,
      Asked<?> asked) {
    this(id, Shown.of(text), points, feedback, List.of(), outcome, asked);
  }

  /** What is asked, in plain words. */
  public String text() {
    return shown.text();
  }

  /**
   * What a mark comes to after some hints: what they cost is taken from what the answer gives, and
   * never more than that. A wholly right answer of 4 points gives 3 after a hint of 0.25, and a
   * half right one 1.
   *
   * @param hintsTaken how many hints were asked for
   */
  public double pointsFor(Mark mark, int hintsTaken) {
    return switch (mark) {
      case Mark.Marked(double share) -> Math.max(0, share - Hint.cost(hints, hintsTaken)) * points;
      case Mark.ForStaff() -> 0;
    };
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
    return new Question(id, shown, points, feedback, hints, carried, asked);
  }

  /** The same question with another answer that is right. */
  public Question asking(Asked<?> other) {
    return new Question(id, shown, points, feedback, hints, outcome, other);
  }

  /** The same question, worth other points. */
  public Question worth(double worth) {
    return new Question(id, shown, worth, feedback, hints, outcome, asked);
  }

  /** What keeps it from being asked; none when it can be. */
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    if (shown.isBlank()) all.add(Lacks.TEXT);
    all.addAll(asked.lacks());
    if (!(points > 0 && points <= MOST_POINTS)) all.add(Lacks.POINTS);
    if (hints.stream().anyMatch(hint -> hint.text().isBlank())) all.add(Lacks.HINT);
    return all;
  }
}
