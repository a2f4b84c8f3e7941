package yendrik.core.kind;

import java.util.List;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.core.record.Strand;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.Offer;
import yendrik.core.strand.signoff.SignOffLeaf;
import yendrik.core.strand.signoff.SignOffStrand;
import yendrik.core.strand.work.WorkStrand;

/** Something done with the hands in front of staff, who sign it off. */
final class PracticalKind implements Kind {
  static final Kind KIND = new PracticalKind();

  @Override
  public List<Strand.Door<?>> strands() {
    return List.of(WorkStrand.DOOR, SignOffStrand.DOOR);
  }

  @Override
  public Leaf usualDoneWhen(StepId step) {
    return new SignOffLeaf.SignedOff(step);
  }

  @Override
  public Step.Scoring usualScoring() {
    return Step.Scoring.NONE;
  }

  @Override
  public boolean assesses() {
    return true;
  }

  @Override
  public List<Offer> usualOffers(StepId step) {
    return List.of(new Offer(new SignOffLeaf.SignedOff(step), "", 3));
  }

  @Override
  public boolean withStaff() {
    return true;
  }
}
