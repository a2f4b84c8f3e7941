package yendrik.core.strand.attempts;

import java.util.List;
import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Quiz;
import yendrik.core.record.Fact;
import yendrik.core.record.Strand;
import yendrik.core.words.Numbers;
import yendrik.core.words.Phrase;

/** What happens when somebody tries something that is marked at once. */
public sealed interface AttemptFact extends Fact.OfStrand {
  @Override
  default Strand.Door<AttemptsStrand> strand() {
    return AttemptsStrand.DOOR;
  }

  /**
   * An attempt was begun.
   *
   * @param number 1 for the first
   */
  record StartedAttempt(StepId step, int number) implements AttemptFact {
    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.of(Phrase.of("fact.began", "n", number, "step", step));
    }
  }

  /**
   * An attempt was marked.
   *
   * @param points reached, 0 to {@code of}
   * @param of to be had, more than 0
   * @param parts how the questions of single outcomes went, none where no question carries one
   * @param waits how many answers staff have still to mark; they have given no points yet
   */
  record FinishedAttempt(
      StepId step, int number, double points, double of, List<Quiz.Part> parts, int waits)
      implements AttemptFact {
    /** An attempt at questions that carry no outcomes of their own, marked wholly. */
    public FinishedAttempt(StepId step, int number, double points, double of) {
      this(step, number, points, of, List.of(), 0);
    }

    /** An attempt that is marked wholly. */
    public FinishedAttempt(
        StepId step, int number, double points, double of, List<Quiz.Part> parts) {
      this(step, number, points, of, parts, 0);
    }

    public FinishedAttempt {
      parts = List.copyOf(parts);
      if (!(of > 0 && points >= 0 && points <= of))
        throw new Refusal("points-of", "points", points, "of", of);
    }

    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.of(
          Phrase.of(
              "fact.attempt", "n", number, "step", step, "share", Numbers.percent(points / of)));
    }
  }
}
