package yendrik.core.strand.film;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.id.PersonId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Strand;

/** Which seconds of films were played. */
public final class FilmStrand extends Strand<FilmFact, FilmStrand.Kept> {
  /** How the rest of Yendrik knows it. */
  public static final Door<FilmStrand> DOOR =
      new Door<>(
          "film",
          FilmStrand.class,
          FilmStrand::new,
          Kept.class,
          Map.of("watched", FilmFact.Watched.class),
          Map.of("watched", FilmLeaf.Watched.class));

  /**
   * @param parts seconds of the film that were played: from, to, from, to
   * @param of how long the film is, in seconds
   * @param last epoch milliseconds of the last report
   */
  public record Kept(List<Integer> parts, int of, long last) implements Strand.Kept {
    public Kept {
      parts = parts == null ? List.of() : List.copyOf(parts);
    }
  }

  private final Map<Integer, BitSet> played = new LinkedHashMap<>(2);
  private final int[] of;
  private final long[] last;

  private FilmStrand(LearnerRecord record) {
    super(record, FilmFact.class, Kept.class);
    of = new int[index.steps()];
    last = never(index.steps());
  }

  @Override
  protected void take(int s, long at, FilmFact what, Optional<PersonId> by) {
    switch (what) {
      case FilmFact.Watched part -> watch(s, at, part);
    }
  }

  /** Seconds of a film of another length are seconds of another film. */
  private void watch(int s, long at, FilmFact.Watched part) {
    BitSet seen = played.computeIfAbsent(s, _ -> new BitSet());
    if (of[s] != part.of()) seen.clear();
    of[s] = part.of();
    seen.set(part.from(), part.to());
    last[s] = at;
  }

  @Override
  protected void forget(int s) {
    played.remove(s);
    of[s] = 0;
    last[s] = NEVER;
  }

  @Override
  protected Optional<Kept> keep(int s) {
    return last[s] == NEVER
        ? Optional.empty()
        : Optional.of(new Kept(parts(s), of[s], stored(last[s])));
  }

  @Override
  protected void restore(int s, Kept kept) {
    BitSet seen = new BitSet();
    for (int i = 0; i + 1 < kept.parts.size(); i += 2)
      seen.set(kept.parts.get(i), kept.parts.get(i + 1));
    played.put(s, seen);
    of[s] = kept.of;
    last[s] = moment(kept.last);
  }

  /** The share of the film's seconds that were played, 0 to 1. */
  public double share(int s) {
    return of[s] == 0 ? 0 : (double) seen(s).cardinality() / of[s];
  }

  private BitSet seen(int s) {
    return played.getOrDefault(s, new BitSet());
  }

  /**
   * The parts of the film that were played, as a list of seconds: from (included), to (excluded),
   * and so on, in ascending order.
   */
  public List<Integer> parts(int s) {
    List<Integer> parts = new ArrayList<>();
    BitSet seen = seen(s);
    for (int from = seen.nextSetBit(0); from >= 0; ) {
      int to = seen.nextClearBit(from);
      parts.add(from);
      parts.add(to);
      from = seen.nextSetBit(to);
    }
    return parts;
  }

  /** When playing was reported last, in epoch milliseconds. */
  public long lastAt(int s) {
    return last[s];
  }

  /** The strand of a record. */
  public static FilmStrand of(LearnerRecord record) {
    return record.strand(DOOR);
  }
}
