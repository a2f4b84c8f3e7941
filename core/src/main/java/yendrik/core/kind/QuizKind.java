package yendrik.core.kind;

import java.util.List;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.core.record.Strand;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.Offer;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.marks.MarkLeaf;

/** Questions that are marked at once. */
final class QuizKind implements Kind {
  static final Kind KIND = new QuizKind();

  private static final int MOST_TRIES = 20;

  @Override
  public List<Strand.Door<?>> strands() {
    return List.of(AttemptsStrand.DOOR);
  }

  @Override
  public Leaf usualDoneWhen(StepId step) {
    return new MarkLeaf.Passed(step);
  }

  @Override
  public Step.Scoring usualScoring() {
    return new Step.Scoring(0, 0.6, 0);
  }

  @Override
  public boolean hasClock() {
    return true;
  }

  @Override
  public boolean assesses() {
    return true;
  }

  @Override
  public List<Offer> usualOffers(StepId step) {
    return List.of(
        new Offer(new MarkLeaf.Passed(step), "", 3),
        new Offer(new MarkLeaf.NotPassed(step), "failed again", 0),
        new Offer(new MarkLeaf.Score(step, 1, 1), "full marks everything right", 0),
        new Offer(new AttemptLeaf.Improved(step, 0.2), "better than the first improved", 0));
  }

  @Override
  public List<Offer> numberOffers(StepId step, int n) {
    if (n > MOST_TRIES) return List.of();
    return List.of(
        new Offer(new AttemptLeaf.Attempted(step, n), "attempts tries", 1),
        new Offer(new AttemptLeaf.OnDays(step, n), "different days", 0));
  }
}
