package yendrik.core.kind;

import java.util.List;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.core.record.Strand;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.Offer;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.work.WorkLeaf;
import yendrik.core.strand.work.WorkStrand;

/** Work that is handed in and marked by staff. */
final class AssignmentKind implements Kind {
  static final Kind KIND = new AssignmentKind();

  @Override
  public List<Strand.Door<?>> strands() {
    return List.of(WorkStrand.DOOR);
  }

  @Override
  public Leaf usualDoneWhen(StepId step) {
    return new MarkLeaf.Passed(step);
  }

  @Override
  public Step.Scoring usualScoring() {
    return new Step.Scoring(20, 0, 0);
  }

  @Override
  public boolean assesses() {
    return true;
  }

  @Override
  public List<Offer> usualOffers(StepId step) {
    return List.of(
        new Offer(new MarkLeaf.Passed(step), "", 3),
        new Offer(new WorkLeaf.HandedIn(step), "submitted sent", 2),
        new Offer(new WorkLeaf.Marked(step), "", 1),
        new Offer(new MarkLeaf.NotPassed(step), "failed again", 0));
  }

  @Override
  public boolean handedIn() {
    return true;
  }
}
