package yendrik.core.strand.film;

import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Strand;
import yendrik.core.words.Phrase;

/** What shows how much of a film was played. */
public sealed interface FilmFact extends Fact.OfStrand {
  @Override
  default Strand.Door<FilmStrand> strand() {
    return FilmStrand.DOOR;
  }

  /**
   * Played a part of a film.
   *
   * @param from second of the film, included
   * @param to second of the film, excluded
   * @param of how long the film is, in seconds, up to a day
   */
  record Watched(StepId step, int from, int to, int of) implements FilmFact {
    public Watched {
      if (!(0 <= from && from < to && to <= of && of <= 86_400))
        throw new Refusal("seconds-of-film", "from", from, "to", to, "of", of);
    }

    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.empty();
    }
  }
}
