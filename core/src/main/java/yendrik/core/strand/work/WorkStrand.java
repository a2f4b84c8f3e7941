package yendrik.core.strand.work;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import yendrik.core.id.PersonId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Strand;
import yendrik.core.words.Ground;
import yendrik.core.words.Numbers;
import yendrik.core.words.Phrase;

/** What was handed in, or shown, and what staff make of it. */
public final class WorkStrand extends Strand<WorkFact, WorkStrand.Kept> {
  /** How the rest of Yendrik knows it. */
  public static final Door<WorkStrand> DOOR =
      new Door<>(
          "work",
          WorkStrand.class,
          WorkStrand::new,
          Kept.class,
          Map.of(
              "handed-in", WorkFact.HandedIn.class,
              "marked", WorkFact.Marked.class,
              "assessed", WorkFact.Assessed.class),
          Map.of("handed-in", WorkLeaf.HandedIn.class, "marked", WorkLeaf.Marked.class));

  /**
   * @param version the newest that was handed in, also before the step was started anew
   * @param judged the version that was judged
   * @param mark the share of the points that staff gave, 0 to 1
   */
  public record Kept(
      int version,
      long handedInAt,
      Optional<Judgement> judgement,
      int judged,
      Optional<Double> mark,
      long markedAt,
      Optional<PersonId> markedBy)
      implements Strand.Kept {}

  private final int[] version;
  private final long[] handedInAt;
  private final @Nullable Judgement[] judgement;
  private final int[] judged;
  private final double[] mark;
  private final long[] markedAt;
  private final @Nullable PersonId[] markedBy;

  private WorkStrand(LearnerRecord record) {
    super(record, WorkFact.class, Kept.class);
    int n = index.steps();
    version = new int[n];
    handedInAt = never(n);
    judgement = new Judgement[n];
    judged = new int[n];
    mark = new double[n];
    Arrays.fill(mark, UNSCORED);
    markedAt = never(n);
    markedBy = new PersonId[n];
  }

  @Override
  protected void take(int s, long at, WorkFact what, Optional<PersonId> by) {
    switch (what) {
      case WorkFact.HandedIn in -> {
        version[s] = in.version();
        handedInAt[s] = at;
      }
      case WorkFact.Marked marked -> {
        judgement[s] = marked.judgement();
        judged[s] = marked.version();
        mark[s] = marked.of() > 0 ? marked.points() / marked.of() : UNSCORED;
        markedAt[s] = at;
        markedBy[s] = by.orElse(null);
      }
      case WorkFact.Assessed _ -> {}
    }
  }

  @Override
  protected void forget(int s) {
    handedInAt[s] = NEVER;
    judgement[s] = null;
    judged[s] = 0;
    mark[s] = UNSCORED;
    markedAt[s] = NEVER;
    markedBy[s] = null;
  }

  @Override
  protected Optional<Kept> keep(int s) {
    if (version[s] == 0 && judgement[s] == null) return Optional.empty();
    return Optional.of(
        new Kept(
            version[s],
            stored(handedInAt[s]),
            Optional.ofNullable(judgement[s]),
            judged[s],
            mark[s] < 0 ? Optional.empty() : Optional.of(mark[s]),
            stored(markedAt[s]),
            Optional.ofNullable(markedBy[s])));
  }

  @Override
  protected void restore(int s, Kept kept) {
    version[s] = kept.version;
    handedInAt[s] = moment(kept.handedInAt);
    judgement[s] = kept.judgement.orElse(null);
    judged[s] = kept.judged;
    mark[s] = kept.mark.orElse(UNSCORED);
    markedAt[s] = moment(kept.markedAt);
    markedBy[s] = kept.markedBy.orElse(null);
  }

  /** The newest version handed in, 0 when nothing was. */
  public int version(int s) {
    return handedInAt[s] == NEVER ? 0 : version[s];
  }

  /** The number of the version that would be handed in next. */
  public int nextVersion(int s) {
    return version[s] + 1;
  }

  /** When it was handed in, in epoch milliseconds. */
  public long handedInAt(int s) {
    return handedInAt[s];
  }

  /** Whether what was handed in last came after the step was due for this learner. */
  public boolean late(int s) {
    return version(s) > 0 && record.late(s, handedInAt[s]);
  }

  @Override
  public boolean marks() {
    return true;
  }

  @Override
  public long waitingSince(int s) {
    boolean waits = version(s) > 0 && (judgement[s] == null || judged[s] < version[s]);
    return waits ? handedInAt[s] : NEVER;
  }

  @Override
  public boolean marked(int s) {
    return judgement[s] != null && judged[s] >= version(s);
  }

  @Override
  public boolean passed(int s) {
    return judgement[s] == Judgement.PASSED;
  }

  @Override
  public double score(int s) {
    return mark[s];
  }

  @Override
  public long markedAt(int s) {
    return markedAt[s];
  }

  @Override
  public Optional<Ground> standing(int s) {
    Judgement judged = judgement[s];
    if (judged == null) return Optional.empty();
    Phrase what =
        mark[s] < 0
            ? Phrase.of("ground.judged", "judgement", judged.name())
            : Phrase.of("ground.judged-points", "judgement", judged.name())
                .and("share", Numbers.percent(mark[s]));
    return Ground.of(what, markedAt[s], Optional.ofNullable(markedBy[s]));
  }

  /** The strand of a record. */
  public static WorkStrand of(LearnerRecord record) {
    return record.strand(DOOR);
  }
}
