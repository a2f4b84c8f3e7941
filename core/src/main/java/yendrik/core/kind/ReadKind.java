package yendrik.core.kind;

import java.util.List;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.core.record.Strand;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.Offer;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.seen.SeenStrand;

/** Something to read, which is done when it was seen. */
abstract class ReadKind implements Kind {
  @Override
  public List<Strand.Door<?>> strands() {
    return List.of(SeenStrand.DOOR);
  }

  @Override
  public Leaf usualDoneWhen(StepId step) {
    return new SeenLeaf.Seen(step);
  }

  @Override
  public Step.Scoring usualScoring() {
    return Step.Scoring.NONE;
  }

  @Override
  public boolean assesses() {
    return false;
  }

  @Override
  public List<Offer> usualOffers(StepId step) {
    return List.of(new Offer(new SeenLeaf.Seen(step), "seen opened", 3));
  }
}
