package yendrik.core.kind;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.id.StepId;
import yendrik.core.strand.Offer;
import yendrik.core.strand.posts.PostLeaf;

/** Posts that learners write for each other, and their replies. */
final class DiscussionKind extends WrittenKind {
  static final Kind KIND = new DiscussionKind();

  @Override
  public List<Offer> usualOffers(StepId step) {
    List<Offer> all = new ArrayList<>(super.usualOffers(step));
    all.add(new Offer(new PostLeaf.Replied(step, 1), "replied reply answered", 2));
    return all;
  }

  @Override
  public List<Offer> numberOffers(StepId step, int n) {
    List<Offer> all = new ArrayList<>(super.numberOffers(step, n));
    if (!all.isEmpty())
      all.add(new Offer(new PostLeaf.Replied(step, n), "replies replied answers", 2));
    return all;
  }
}
