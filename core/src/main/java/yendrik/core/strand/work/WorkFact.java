package yendrik.core.strand.work;

import java.util.List;
import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.RubricId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Strand;
import yendrik.core.rubric.Rubric;
import yendrik.core.words.Phrase;

/** What happens to work that is handed in, or shown, and judged by staff. */
public sealed interface WorkFact extends Fact.OfStrand {
  @Override
  default Strand.Door<WorkStrand> strand() {
    return WorkStrand.DOOR;
  }

  /**
   * Handed in.
   *
   * @param version 1 for the first
   */
  record HandedIn(StepId step, int version) implements WorkFact {
    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.of(Phrase.of("fact.handed-in", "step", step, "n", version));
    }
  }

  /**
   * Staff judged what was handed in.
   *
   * @param version which handing-in, 0 where nothing is handed in
   * @param of most points, 0 where no points are given
   * @param comment what is said about it, empty for nothing
   * @param formatted the same as safe HTML, where it is more than words
   */
  record Marked(
      StepId step,
      int version,
      double points,
      double of,
      Judgement judgement,
      String comment,
      Optional<String> formatted)
      implements WorkFact {
    /** With words that have no looks. */
    public Marked(
        StepId step, int version, double points, double of, Judgement judgement, String comment) {
      this(step, version, points, of, judgement, comment, Optional.empty());
    }

    public Marked {
      if (!(of >= 0 && points >= 0 && points <= of))
        throw new Refusal("points-of", "points", points, "of", of);
    }

    @Override
    public boolean here() {
      return false;
    }

    @Override
    public Optional<Phrase> says(Phrase step) {
      Phrase judged =
          of == 0
              ? Phrase.of("fact.marked", "judgement", judgement.name(), "step", step)
              : Phrase.of(
                  "fact.marked-points",
                  "judgement",
                  judgement.name(),
                  "step",
                  step,
                  "points",
                  points,
                  "of",
                  of);
      return Optional.of(judged.saying(comment));
    }
  }

  /**
   * Staff went through a rubric with a piece of work in hand. The ratings and points that follow
   * from it are facts of their own.
   *
   * @param version which handing-in, 0 where nothing is handed in
   * @param design the version of the course whose rubric was read, 0 for a draft
   */
  record Assessed(StepId step, int version, RubricId rubric, int design, List<Rubric.Met> met)
      implements WorkFact {
    public Assessed {
      met = List.copyOf(met);
    }

    @Override
    public boolean here() {
      return false;
    }

    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.empty();
    }
  }
}
