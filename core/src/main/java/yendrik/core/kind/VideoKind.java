package yendrik.core.kind;

import java.util.List;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.core.record.Strand;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.Offer;
import yendrik.core.strand.film.FilmLeaf;
import yendrik.core.strand.film.FilmStrand;
import yendrik.core.strand.seen.SeenLeaf;

/** A film to watch. */
final class VideoKind implements Kind {
  static final Kind KIND = new VideoKind();

  /** Nobody needs the titles at the end. */
  private static final double MOST = 0.9;

  @Override
  public List<Strand.Door<?>> strands() {
    return List.of(FilmStrand.DOOR);
  }

  @Override
  public Leaf usualDoneWhen(StepId step) {
    return new FilmLeaf.Watched(step, MOST);
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
    return List.of(
        new Offer(new FilmLeaf.Watched(step, MOST), "seen film", 3),
        new Offer(new SeenLeaf.Seen(step), "seen opened", 1));
  }

  @Override
  public List<Offer> numberOffers(StepId step, int n) {
    if (n > 100) return List.of();
    return List.of(new Offer(new FilmLeaf.Watched(step, n / 100.0), "watched percent", 5));
  }
}
