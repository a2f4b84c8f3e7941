package yendrik.core.strand.marks;

import java.util.Map;
import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.StepId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Leaf;
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

/** What the marks of a step come to, whoever gives them. */
public sealed interface MarkLeaf extends StepLeaf {
  /** These questions by the names under which they are stored. */
  Map<String, Class<? extends Leaf.OfStrand>> NAMES =
      Map.of("passed", Passed.class, "not-passed", NotPassed.class, "score", Score.class);

  private static Optional<Ground> standing(LearnerRecord record, int step) {
    return record.waiting(step)
        ? Ground.of(Phrase.of("ground.waits"), record.waitingSince(step))
        : record.standing(step);
  }

  record Passed(StepId step) implements MarkLeaf {
    @Override
    public Passed at(StepId other) {
      return new Passed(other);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      if (record.passed(step)) reading.met();
      else if (record.waiting(step)) reading.notYet(0.5, Turn.STAFF);
      else if (record.spent(step)) reading.outOfReach(record.score(step));
      else StepProbe.missing(step, sight, reading, record.score(step), Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.passed");
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return MarkLeaf.standing(record, step);
    }
  }

  /** Marked, and not passed: asks for a fact, so that help does not open for everybody at once. */
  record NotPassed(StepId step) implements MarkLeaf {
    @Override
    public NotPassed at(StepId other) {
      return new NotPassed(other);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      if (record.notPassed(step)) reading.metForNow(Reading.NO_MOMENT);
      else if (record.passed(step)) reading.outOfReach(0);
      else if (record.waiting(step)) reading.notYet(0, Turn.STAFF);
      else StepProbe.missing(step, sight, reading, 0, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.not-passed");
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return MarkLeaf.standing(record, step);
    }
  }

  /**
   * Score of what counts, between two shares of the points, both included. Attempts only ever raise
   * the score, so a score above the upper bound is past hope, and one below the lower bound is when
   * no attempt is left.
   */
  record Score(StepId step, double from, double to) implements MarkLeaf {
    @Override
    public Score at(StepId other) {
      return new Score(other, from, to);
    }

    public Score {
      if (!(from >= 0 && from <= to && to <= 1)) throw new Refusal("score", "from", from, "to", to);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      double score = record.score(step);
      boolean scored = record.scored(step);
      double far = from == 0 ? 0 : score / from;
      if (scored && score >= from - StepProbe.HAIR && score <= to + StepProbe.HAIR) inside(reading);
      else if (scored && score > to + StepProbe.HAIR) reading.outOfReach(0);
      else if (record.waiting(step)) reading.notYet(far, Turn.STAFF);
      else if (record.spent(step)) reading.outOfReach(far);
      else StepProbe.missing(step, sight, reading, far, Turn.LEARNER);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.score", "range", range(), "own", step.itsOwn() ? "yes" : "no");
    }

    @Override
    public boolean implies(StepLeaf other) {
      return other instanceof Score(var s, var f, var t) && s.equals(step) && f <= from && t >= to;
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      return record.standing(step);
    }

    private void inside(Reading reading) {
      if (to >= 1) reading.met();
      else reading.metForNow(Reading.NO_MOMENT);
    }

    private Phrase range() {
      Phrase least = Numbers.percent(from);
      Phrase most = Numbers.percent(to);
      if (from >= 1) return Phrase.of("score.all", "to", most);
      if (to >= 1) return Phrase.of("score.from", "from", least);
      if (from <= 0) return Phrase.of("score.to", "to", most);
      return Phrase.of("score.between", "from", least, "to", most);
    }
  }
}
