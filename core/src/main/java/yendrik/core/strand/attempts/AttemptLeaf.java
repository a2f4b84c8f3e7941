package yendrik.core.strand.attempts;

import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.StepId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Strand;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.StepProbe;
import yendrik.core.strand.StepLeaf;
import yendrik.core.strand.StepNames;
import yendrik.core.words.Ground;
import yendrik.core.words.Numbers;
import yendrik.core.words.Question;

/** How often something was tried. */
public sealed interface AttemptLeaf extends StepLeaf {
  /** At least so many attempts finished. */
  record Attempted(StepId step, int times) implements AttemptLeaf {
    @Override
    public Attempted at(StepId other) {
      return new Attempted(other, times);
    }

    public Attempted {
      StepLeaf.positive(times, "attempts");
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      AttemptsStrand attempts = AttemptsStrand.of(record);
      int made = attempts.made(step);
      double far = (double) made / times;
      if (made >= times) reading.met();
      else if (attempts.left(step) < times - made) reading.outOfReach(far);
      else StepProbe.missing(step, sight, reading, far, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.attempted", "n", times);
    }

    @Override
    public boolean implies(StepLeaf other) {
      return other instanceof Attempted(var s, var n) && s.equals(step) && n <= times;
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return record.standing(step);
    }
  }

  /** Attempts finished on so many different days of the course's calendar. */
  record OnDays(StepId step, int days) implements AttemptLeaf {
    @Override
    public OnDays at(StepId other) {
      return new OnDays(other, days);
    }

    public OnDays {
      StepLeaf.positive(days, "days");
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      AttemptsStrand attempts = AttemptsStrand.of(record);
      int on = attempts.days(step);
      double far = (double) on / days;
      if (on >= days) reading.met();
      else if (attempts.left(step) < days - on) reading.outOfReach(far);
      else StepProbe.missing(step, sight, reading, far, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.on-days", "n", days);
    }

    @Override
    public boolean implies(StepLeaf other) {
      return other instanceof OnDays(var s, var n) && s.equals(step) && n <= days;
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return record.standing(step);
    }
  }

  /**
   * The best attempt is so much better than the first.
   *
   * @param by share of the points, above 0 and at most 1
   */
  record Improved(StepId step, double by) implements AttemptLeaf {
    private static final double HAIR = 1e-9;

    @Override
    public Improved at(StepId other) {
      return new Improved(other, by);
    }

    public Improved {
      if (!(by > 0 && by <= 1)) throw new Refusal("share", "share", by);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      AttemptsStrand attempts = AttemptsStrand.of(record);
      double first = attempts.first(step);
      boolean begun = first != Strand.UNSCORED;
      double gained = begun ? attempts.best(step) - first : 0;
      double far = Math.min(1, gained / by);
      boolean tooGood = begun && first + by > 1 + HAIR;
      int needed = begun ? 1 : 2;
      if (begun && gained >= by - HAIR) reading.met();
      else if (tooGood || attempts.left(step) < needed) reading.outOfReach(far);
      else StepProbe.missing(step, sight, reading, far, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.improved", "share", Numbers.percent(by));
    }

    @Override
    public boolean implies(StepLeaf other) {
      return other instanceof Improved(var s, var n) && s.equals(step) && n <= by;
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return record.standing(step);
    }
  }
}
