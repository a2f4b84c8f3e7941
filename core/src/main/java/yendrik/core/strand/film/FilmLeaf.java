package yendrik.core.strand.film;

import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.StepId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.StepProbe;
import yendrik.core.strand.StepLeaf;
import yendrik.core.strand.StepNames;
import yendrik.core.words.Ground;
import yendrik.core.words.Numbers;
import yendrik.core.words.Phrase;
import yendrik.core.words.Question;

/** How much of a film was watched. */
public sealed interface FilmLeaf extends StepLeaf {
  /** At least this share of the film's seconds was played, each counted once. */
  record Watched(StepId step, double share) implements FilmLeaf {
    @Override
    public Watched at(StepId other) {
      return new Watched(other, share);
    }

    public Watched {
      if (!(share > 0 && share <= 1)) throw new Refusal("share", "share", share);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      double watched = FilmStrand.of(record).share(step);
      if (watched >= share - StepProbe.HAIR) reading.met();
      else StepProbe.missing(step, sight, reading, watched / share, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return share >= 1
          ? step.asks("ask.watched-whole", "share", Numbers.percent(share))
          : step.asks("ask.watched", "share", Numbers.percent(share));
    }

    @Override
    public boolean implies(StepLeaf other) {
      return other instanceof Watched(var s, var n) && s.equals(step) && n <= share;
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return Ground.of(
          Phrase.of("ground.watched", "share", Numbers.percent(FilmStrand.of(record).share(step))),
          record.touchedAt(step));
    }
  }
}
