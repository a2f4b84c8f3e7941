package yendrik.core.kind;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.core.record.Strand;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.Offer;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.posts.PostsStrand;
import yendrik.core.strand.work.WorkLeaf;
import yendrik.core.strand.work.WorkStrand;

/** Where learners write again and again; staff may mark all of it as it stands. */
abstract class WrittenKind implements Kind {
  private static final int MOST = 100;

  @Override
  public final List<Strand.Door<?>> strands() {
    return List.of(PostsStrand.DOOR, WorkStrand.DOOR);
  }

  @Override
  public final Leaf usualDoneWhen(StepId step) {
    return new PostLeaf.Posted(step, 1);
  }

  @Override
  public final Step.Scoring usualScoring() {
    return Step.Scoring.NONE;
  }

  @Override
  public final boolean assesses() {
    return true;
  }

  @Override
  public final boolean markedAsItStands() {
    return true;
  }

  @Override
  public List<Offer> usualOffers(StepId step) {
    return List.of(
        new Offer(new PostLeaf.Posted(step, 1), "posted post wrote written entry", 3),
        new Offer(new WorkLeaf.Marked(step), "", 1),
        new Offer(new MarkLeaf.Passed(step), "", 0),
        new Offer(new MarkLeaf.NotPassed(step), "failed again", 0));
  }

  @Override
  public List<Offer> numberOffers(StepId step, int n) {
    List<Offer> all = new ArrayList<>();
    if (n <= MOST) all.add(new Offer(new PostLeaf.Posted(step, n), "posts posted entries", 3));
    return all;
  }
}
