package yendrik.core.strand.time;

import java.util.Optional;
import yendrik.core.id.StepId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.StepProbe;
import yendrik.core.strand.StepLeaf;
import yendrik.core.strand.StepNames;
import yendrik.core.words.Ground;
import yendrik.core.words.Phrase;
import yendrik.core.words.Question;

/** How long somebody was on a step. */
public sealed interface TimeLeaf extends StepLeaf {
  /** On the step, with the page visible, for so many minutes in all. */
  record TimeSpent(StepId step, int minutes) implements TimeLeaf {
    @Override
    public TimeSpent at(StepId other) {
      return new TimeSpent(other, minutes);
    }

    public TimeSpent {
      StepLeaf.positive(minutes, "minutes");
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      int seconds = Math.multiplyExact(minutes, 60);
      int spent = TimeStrand.of(record).seconds(step);
      if (spent >= seconds) reading.met();
      else StepProbe.missing(step, sight, reading, (double) spent / seconds, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.time-spent", "n", minutes);
    }

    @Override
    public boolean implies(StepLeaf other) {
      return other instanceof TimeSpent(var s, var n) && s.equals(step) && n <= minutes;
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return Ground.of(
          Phrase.of("ground.minutes", "n", TimeStrand.of(record).seconds(step) / 60),
          record.touchedAt(step));
    }
  }
}
